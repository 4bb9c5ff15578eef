import { useWords } from '../../sync/use-words'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Measurement } from '#core/model/clinical-case'
import type { Problem } from '#core/model/problem'
import { otherSide, type Side } from '#core/model/vocabulary'
import type { Geometry } from '#core/model/geometry'
import { parseReading } from '#core/quantities/parse-reading'
import { exampleEntry, parseQuickEntry } from '#core/quantities/quick-entry'
import type { InjuryRecord } from '#contract/records/episode'
import { toReading } from '../../case/readings/take-reading'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useSettings } from '../../sync/session-store'
import { usualSide, type AskedReading } from './asked-readings'
import { Keypad } from './keypad'
import { Form } from '../../parts/form'

const limbNames: Partial<Record<Geometry['body'], string>> = { leg: 'leg', arm: 'arm' }

/** The landmark to find in words, and its reading: typed or by keypad, Enter takes it; a line of several is taken at once. */
export function ReadingEntry({
  caseId,
  place,
  asked,
  side,
  injury,
  body,
  isByEye,
  isNext,
  problems,
  onSide,
  onTyping,
  onEnter,
  onUndo,
}: {
  caseId: string
  place: AskedReading
  asked: readonly AskedReading[]
  side: Side | null
  injury: InjuryRecord | null
  body: Geometry['body']
  isByEye: boolean
  /** A reading is what is to be done next. */
  isNext: boolean
  problems: readonly Problem[]
  onSide: (side: Side) => void
  onTyping: (reading: Measurement | null) => void
  onEnter: (readings: readonly Measurement[]) => void
  onUndo: () => void
}) {
  const say = useWords()
  const { definition } = place
  const injured = injury?.side ?? null
  const [text, setText] = useDraft(`case/${caseId}/reading/${place.key}`)
  const [error, setError] = useState<string | null>(null)
  const [isConfirmed, setConfirmed] = useState(false)
  const settings = useSettings()
  const { units } = settings
  const input = useRef<HTMLInputElement>(null)
  const isTouch = window.matchMedia('(pointer: coarse)').matches
  useEffect(() => input.current?.focus({ preventScroll: true }), [place.key])

  const read = (typed: string): Measurement | string => {
    const parsed = parseReading(typed)
    if (!parsed.ok) return parsed.message
    const reading = toReading(definition, parsed, typed, side, settings, isByEye)
    return typeof reading === 'string' || !isConfirmed ? reading : { ...reading, confirmed: true }
  }
  const readSeveral = (typed: string): readonly Measurement[] | string => {
    const places = [...new Map(asked.filter((one) => !one.definition.words).map((one) => [one.definition.id, one])).values()]
    const quick = parseQuickEntry(
      typed,
      places.map((one) => one.definition),
    )
    if (!quick.ok) return quick.message
    const readings: Measurement[] = []
    for (const one of quick.readings) {
      const target = places.find((each) => each.definition.id === one.id)
      if (!target) continue
      const usual = usualSide(target, injured, injury?.swelling !== 'none')
      const reading = toReading(target.definition, one, one.typed, one.side ?? usual, settings, isByEye)
      if (typeof reading === 'string') return reading
      readings.push(reading)
    }
    return readings
  }
  const example = useMemo(() => exampleEntry([...new Map(asked.map(({ definition: one }) => [one.id, one])).values()]), [asked])
  const isLine = /^[a-z]/i.test(text.trim())
  const type = (typed: string): void => {
    setText(typed)
    setError(null)
    const reading = typed.trim() && !/^[a-z]/i.test(typed.trim()) ? read(typed) : null
    onTyping(reading && typeof reading !== 'string' ? reading : null)
  }
  const enter = (): void => {
    const reading = isLine ? readSeveral(text) : read(text)
    if (typeof reading === 'string') return setError(reading)
    setText('')
    setConfirmed(false)
    onEnter('id' in reading ? [reading] : reading)
    input.current?.focus()
  }
  const isImplausible = problems.some((problem) => problem.code === 'implausible')
  return (
    <section aria-label={`Reading: ${definition.label}`} className="grid content-start gap-3">
      <div id="reading-what">
        <h2 className="text-xl font-bold sm:text-2xl">
          {definition.label}
          {place.fixedSide ? `, ${place.fixedSide}` : ''}
        </h2>
        <p className="max-w-prose sm:text-lg">{say(definition.landmarks)}.</p>
        <p className="text-soft max-sm:hidden">{say(definition.posture)}.</p>
      </div>
      {side && injured && !place.fixedSide ? (
        <div
          className={`flex flex-wrap items-center gap-x-3 rounded-2xl px-4 sm:py-1 ${side === injured ? 'bg-well' : 'border-2 border-dashed border-soft bg-sheet'}`}
        >
          <p className="sm:text-lg">
            on the <strong>{side.toUpperCase()}</strong> {limbNames[body] ?? 'side'},{' '}
            {side === injured ? (
              'the injured one'
            ) : (
              <>
                the sound one <span className="text-stop">(injured: {injured})</span>
              </>
            )}
          </p>
          <button type="button" onClick={() => onSide(otherSide(side))} className="min-h-11 font-semibold underline underline-offset-4">
            read on the {otherSide(side)} instead
          </button>
        </div>
      ) : null}
      <Form onSend={enter} className="grid grid-cols-[1fr_auto] gap-2 sm:gap-3">
        <label className="grid gap-1.5">
          <span className="text-sm font-semibold text-soft">
            Reading{isByEye ? ' by eye' : ''},{' '}
            {definition.kind === 'count'
              ? 'a number'
              : units === 'inches'
                ? 'inches (or type cm), as 15 1/4'
                : 'cm (or 15 in, 380 mm, 3 fw: finger widths)'}
          </span>
          <input
            ref={input}
            value={text}
            onChange={(event) => type(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Backspace' && text === '') onUndo()
            }}
            autoComplete="off"
            inputMode={isTouch ? 'none' : 'text'}
            aria-invalid={error ? true : undefined}
            aria-describedby="reading-what reading-message"
            className="numeral h-16 w-full rounded-2xl border-2 border-ink bg-sheet px-5 text-4xl aria-invalid:border-stop"
          />
        </label>
        <Button type="submit" look={isNext || text.trim() !== '' ? 'next' : 'plain'} className="min-h-16 self-end px-6 text-lg">
          Enter
        </Button>
      </Form>
      <p className="-mt-1 text-sm text-soft max-sm:hidden">
        {example ? `Several at once: ${example}. ` : ''}Backspace in the empty field takes the last one back.
      </p>
      <div id="reading-message" className="grid gap-2">
        {error ? <Notice tone="stop" lead={error} role="alert" /> : null}
        {problems
          .filter((problem) => problem.code !== 'missing')
          .map((problem) => (
            <Notice key={problem.code + problem.message} tone="caution" lead={problem.message} role="status" />
          ))}
        {isImplausible ? (
          <label className="flex min-h-11 items-center gap-3 font-semibold">
            <input
              type="checkbox"
              checked={isConfirmed}
              onChange={(event) => setConfirmed(event.target.checked)}
              className="size-6 accent-ink"
            />
            Measured again, and it is right
          </label>
        ) : null}
      </div>
      <Keypad
        text={text}
        onType={(typed) => {
          type(typed)
          input.current?.focus()
        }}
      />
    </section>
  )
}
