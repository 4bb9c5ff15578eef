import { useEffect, useRef, useState } from 'react'
import type { MeasurementDefinition } from '#core/body/measurement-definition'
import type { Measurement } from '#core/case/clinical-case'
import type { Problem } from '#core/case/problem'
import { otherSide, type Side } from '#core/case/vocabulary'
import { parseReading } from '#core/quantities/parse-reading'
import { useDraft } from '../../hooks/use-draft'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useSettings } from '../../stores/session-store'
import { Keypad } from './keypad'

/** The landmark to find in words, and its reading: typed or by keypad, Enter takes it. */
export function ReadingEntry({
  caseId,
  definition,
  side,
  injured,
  problems,
  onSide,
  onTyping,
  onEnter,
}: {
  caseId: string
  definition: MeasurementDefinition
  side: Side | null
  injured: Side | null
  problems: readonly Problem[]
  onSide: (side: Side) => void
  onTyping: (reading: Measurement | null) => void
  onEnter: (reading: Measurement) => void
}) {
  const [text, setText] = useDraft(`case/${caseId}/reading/${definition.id}`)
  const [error, setError] = useState<string | null>(null)
  const [isConfirmed, setConfirmed] = useState(false)
  const { units, fingerCm } = useSettings()
  const input = useRef<HTMLInputElement>(null)
  const isTouch = window.matchMedia('(pointer: coarse)').matches
  useEffect(() => input.current?.focus({ preventScroll: true }), [definition.id])

  const read = (typed: string): Measurement | string => {
    const parsed = parseReading(typed)
    if (!parsed.ok) return parsed.message
    const unit = parsed.unit ?? (definition.kind === 'angle' ? 'deg' : units === 'inches' ? 'in' : 'cm')
    if (unit === 'deg' && definition.kind !== 'angle') return `${definition.label} is a length: type it in cm, in or fw.`
    return {
      id: definition.id,
      value: parsed.value,
      unit,
      typed,
      tool: unit === 'fw' ? 'fingers' : 'tape',
      ...(side ? { side } : {}),
      ...(isConfirmed ? { confirmed: true } : {}),
      ...(unit === 'fw' && fingerCm !== null ? { breadthCm: fingerCm } : {}),
    }
  }
  const type = (typed: string): void => {
    setText(typed)
    setError(null)
    const reading = typed.trim() ? read(typed) : null
    onTyping(reading && typeof reading !== 'string' ? reading : null)
  }
  const enter = (): void => {
    const reading = read(text)
    if (typeof reading === 'string') return setError(reading)
    setText('')
    setConfirmed(false)
    onEnter(reading)
    input.current?.focus()
  }
  const isImplausible = problems.some((problem) => problem.code === 'implausible')
  return (
    <section aria-label={`Reading: ${definition.label}`} className="grid content-start gap-3">
      <div>
        <h2 className="text-xl font-bold sm:text-2xl">{definition.label}</h2>
        <p className="max-w-prose sm:text-lg">{definition.landmarks}.</p>
        <p className="text-soft max-sm:hidden">{definition.posture}.</p>
      </div>
      {side && injured ? (
        <div
          className={`flex flex-wrap items-center gap-x-3 rounded-2xl px-4 sm:py-1 ${side === injured ? 'bg-well' : 'border-2 border-dashed border-soft bg-sheet'}`}
        >
          <p className="sm:text-lg">
            on the <strong>{side.toUpperCase()}</strong> leg,{' '}
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
      <form
        onSubmit={(event) => {
          event.preventDefault()
          enter()
        }}
        className="grid grid-cols-[1fr_auto] gap-2 sm:gap-3"
      >
        <label className="grid gap-1.5">
          <span className="text-sm font-semibold text-soft">
            Reading, {units === 'inches' ? 'inches unless you type cm' : 'cm unless you type in, mm or fw'}
          </span>
          <input
            ref={input}
            value={text}
            onChange={(event) => type(event.target.value)}
            placeholder={units === 'inches' ? '15 1/4' : '38.5'}
            autoComplete="off"
            inputMode={isTouch ? 'none' : 'text'}
            aria-invalid={error ? true : undefined}
            aria-describedby="reading-message"
            className="numeral h-16 w-full rounded-2xl border-2 border-ink bg-sheet px-5 text-4xl aria-invalid:border-stop"
          />
        </label>
        <Button type="submit" look="next" className="min-h-16 self-end px-6 text-lg">
          Enter
        </Button>
      </form>
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
