import { useEffect, useMemo, useRef, useState } from 'react'
import type { Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { mulberry32 } from '#core/figures/crew/draws'
import { criticalErrors, type Station } from '#core/practice/stations/station'
import { stepName } from '#core/runs/step-name'
import { Button } from '../../../parts/button'
import { Notice } from '../../../parts/notice'
import { TextField } from '../../../parts/text-field'
import { useNow } from '../../../sync/use-now'
import { formatLeft } from '../../../parts/format-left'
import type { RunControl } from './use-run'

const pauseMs = 400

/** A run while the clock goes: what is done next is the candidate's choice. An examiner marks what they see, in any order. */
export function StationRunView({
  station,
  plan,
  control,
  isExaminer,
  onEnd,
}: {
  station: Station
  plan: Plan
  control: RunControl
  isExaminer: boolean
  onEnd: () => void
}) {
  const { marked, run } = control
  const startedAt = Date.parse(run.begunAt)
  const [isEnding, setEnding] = useState(false)
  const { steps } = plan.procedure
  const shuffled = useMemo(() => shuffle(steps, startedAt), [steps, startedAt])
  const placeOf = new Map(marked.ticks.map((tick, index) => [tick.stepId, index + 1]))
  const listed = isExaminer ? steps : shuffled
  const left = listed.filter((step) => !placeOf.has(step.id))
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
      <section aria-label={isExaminer ? 'What you see' : 'What you do next'} className="grid gap-2">
        <StationClock station={station} startedAt={startedAt} />
        <ul className="grid gap-1.5 sm:grid-cols-2" aria-label={isExaminer ? 'Steps, tick them in any order' : 'Steps, in no order'}>
          {listed.map((step) => (
            <li key={step.id}>
              <StepButton
                name={stepName(step)}
                place={placeOf.get(step.id) ?? null}
                onTick={() => control.add({ kind: 'tick', stepId: step.id })}
              />
            </li>
          ))}
        </ul>
        {left.length === 0 ? <p className="text-soft">Every step is done. {isExaminer ? '' : 'Give your figures and end it.'}</p> : null}
      </section>
      <div className="grid gap-3 lg:sticky lg:top-3">
        <section aria-labelledby="done" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
          <div className="flex items-center justify-between gap-3">
            <h2 id="done" className="font-bold">
              {isExaminer ? 'Done, in their order' : 'Done, in your order'}
            </h2>
            <Button disabled={marked.ticks.length === 0} onClick={control.undo}>
              Undo
            </Button>
          </div>
          <ol className="columns-2 gap-4 text-[0.95rem]" aria-live="polite">
            {marked.ticks.map((tick, index) => (
              <li key={`${tick.stepId}${tick.atMs}`}>
                <span className="numeral text-soft">{index + 1}</span> {stepName({ id: tick.stepId })}
              </li>
            ))}
          </ol>
        </section>
        {isExaminer ? <Criticals station={station} control={control} /> : null}
        <section aria-labelledby="ask" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
          <h2 id="ask" className="font-bold">
            {isExaminer ? 'When they ask' : 'Ask'}
          </h2>
          <div className="flex flex-wrap gap-2">
            {station.onAsking.map((one, index) => (
              <Button key={one.ask} aria-pressed={marked.told.includes(index)} onClick={() => control.add({ kind: 'told', ask: index })}>
                {one.ask}
              </Button>
            ))}
          </div>
          <div role="status">
            {marked.told.map((index) => (
              <p key={index}>
                <span className="text-soft">{station.onAsking[index]?.ask}</span> <strong>{station.onAsking[index]?.answer}</strong>
              </p>
            ))}
          </div>
        </section>
        {station.asked.length > 0 ? (
          <section aria-labelledby="figures" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
            <h2 id="figures" className="font-bold">
              {isExaminer ? 'Their figures' : 'Your figures'}
            </h2>
            {station.asked.map(({ decision }) => (
              <AskedFigure key={decision} decision={decision} plan={plan} control={control} />
            ))}
          </section>
        ) : null}
        {isEnding ? (
          <Notice tone="caution" lead="End it now?" role="alert">
            {left.length > 0 ? `${left.length} ${left.length === 1 ? 'step is' : 'steps are'} not done. ` : ''}The clock stops and the sheet
            is made.
            <span className="mt-2 flex flex-wrap gap-2">
              <Button
                look="next"
                onClick={() => {
                  onEnd()
                  window.scrollTo(0, 0)
                }}
              >
                End and score
              </Button>
              <Button onClick={() => setEnding(false)}>Go on</Button>
            </span>
          </Notice>
        ) : (
          <Button look="next" onClick={() => setEnding(true)}>
            {isExaminer ? 'End the run' : 'I have finished'}
          </Button>
        )}
      </div>
    </div>
  )
}

/** A step to tick. It keeps its place when it is done, so that a second press never meets another one. */
function StepButton({ name, place, onTick }: { name: string; place: number | null; onTick: () => void }) {
  const isDone = place !== null
  return (
    <button
      type="button"
      disabled={isDone}
      aria-label={isDone ? `${name}, done as number ${place}` : name}
      onClick={onTick}
      className={`flex min-h-14 w-full items-center gap-3 rounded-2xl border-[1.5px] px-4 py-2 text-left text-lg leading-tight ${isDone ? 'border-line bg-transparent text-soft' : 'border-soft bg-sheet font-semibold'}`}
    >
      {isDone ? (
        <span aria-hidden className="numeral">
          ✓ {place}
        </span>
      ) : null}
      {name}
    </button>
  )
}

/** What time is left, and what is said by the clock. */
export function StationClock({ station, startedAt }: { station: Station; startedAt: number }) {
  const now = useNow(250)
  const goneS = Math.max(0, (now - startedAt) / 1000)
  const leftMs = (station.limitS - goneS) * 1000
  const said = station.prompts.filter((prompt) => prompt.atS <= goneS)
  return (
    <div className="sticky top-0 z-10 flex flex-wrap items-baseline gap-x-4 border-b border-line bg-paper py-1">
      <p>
        <span role="timer" aria-label="Time left" className={`numeral text-3xl font-bold ${leftMs < 0 ? 'text-stop' : ''}`}>
          {leftMs >= 0 ? formatLeft(leftMs) : `−${formatLeft(-leftMs)}`}
        </span>{' '}
        <span className="text-soft">{leftMs >= 0 ? 'left' : 'over time'}</span>
      </p>
      <p role="status" className="font-semibold">
        {said.at(-1)?.text}
      </p>
      {/* What was told before the clock ran stays in sight. */}
      <p className="basis-full text-[0.95rem] text-soft">{station.given.join(' ')}</p>
    </div>
  )
}

/** What fails it, to be marked and taken back. */
function Criticals({ station, control }: { station: Station; control: RunControl }) {
  const marked = new Set(control.marked.criticals.map((critical) => critical.id))
  return (
    <section aria-labelledby="critical" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
      <h2 id="critical" className="font-bold">
        Critical: fails it
      </h2>
      <div className="flex flex-wrap gap-2">
        {station.criticals.map((id) => (
          <Button
            key={id}
            look={marked.has(id) ? 'danger' : 'plain'}
            aria-pressed={marked.has(id)}
            title={criticalErrors[id].why}
            onClick={() => control.toggleCritical(id)}
          >
            {marked.has(id) ? <span aria-hidden>◆</span> : null}
            {criticalErrors[id].label}
          </Button>
        ))}
      </div>
    </section>
  )
}

/** A figure that is asked for: kept once nobody has typed for a moment, so that not every digit is a mark. */
function AskedFigure({ decision, plan, control }: { decision: string; plan: Plan; control: RunControl }) {
  const kept = String(control.marked.answers.findLast((answer) => answer.decision === decision)?.given ?? '')
  const [typed, setTyped] = useState(kept)
  const keep = (): void => {
    if (typed !== kept) control.add({ kind: 'answer', decision, given: typed })
  }
  const latest = useRef(keep)
  useEffect(() => {
    latest.current = keep
  })
  useEffect(() => {
    const timer = setTimeout(() => latest.current(), pauseMs)
    return () => clearTimeout(timer)
  }, [typed])
  const right = plan.decisions.find((one) => one.id === decision)
  if (!right) return null
  return (
    <TextField
      label={right.unit && !right.label.endsWith(right.unit) ? `${right.label}, ${right.unit}` : right.label}
      inputMode="decimal"
      maxLength={12}
      value={typed}
      error={typed !== '' && !Number.isFinite(Number(typed.replace(',', '.'))) ? 'Type a figure such as 38.5.' : undefined}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
    />
  )
}

/** The steps in an order of their own for each run, the same for the same run. */
function shuffle(steps: readonly Step[], seed: number): readonly Step[] {
  const random = mulberry32(seed)
  const list = [...steps]
  for (let at = list.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1))
    const [a, b] = [list[at], list[other]]
    if (a && b) [list[at], list[other]] = [b, a]
  }
  return list
}
