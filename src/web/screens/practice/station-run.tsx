import { useMemo, useState } from 'react'
import type { Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { mulberry32 } from '#core/figures/crew/draws'
import type { Station } from '#core/practice/stations/station'
import { stepName } from '#core/runs/step-name'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useNow } from '../../sync/use-now'
import { formatLeft } from '../../parts/format-left'
import type { StationControl } from './use-station-run'

/** The station while the clock runs: what is done next is the candidate's choice. */
export function StationRunView({
  station,
  plan,
  control,
  startedAt,
  onEnd,
}: {
  station: Station
  plan: Plan
  control: StationControl
  startedAt: number
  onEnd: () => void
}) {
  const { run } = control
  const [isEnding, setEnding] = useState(false)
  const { steps } = plan.procedure
  const shuffled = useMemo(() => shuffle(steps, startedAt), [steps, startedAt])
  const done = new Set(run.ticks.map((one) => one.stepId))
  const left = shuffled.filter((step) => !done.has(step.id))
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
      <section aria-label="What you do next" className="grid gap-2">
        <Clock station={station} startedAt={startedAt} />
        <ul className="grid gap-1.5 sm:grid-cols-2" aria-label="Steps, in no order">
          {left.map((step) => (
            <li key={step.id}>
              <button
                type="button"
                onClick={() => control.tick(step.id)}
                className="min-h-14 w-full rounded-2xl border-[1.5px] border-soft bg-sheet px-4 py-2 text-left text-lg leading-tight font-semibold"
              >
                {stepName(step)}
              </button>
            </li>
          ))}
        </ul>
        {left.length === 0 ? <p className="text-soft">Every step is done. Give your figures and end it.</p> : null}
      </section>
      <div className="grid gap-3 lg:sticky lg:top-3">
        <section aria-labelledby="done" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
          <div className="flex items-center justify-between gap-3">
            <h2 id="done" className="font-bold">
              Done, in your order
            </h2>
            <Button disabled={run.ticks.length === 0} onClick={control.undo}>
              Undo
            </Button>
          </div>
          <ol className="columns-2 gap-4 text-[0.95rem]" aria-live="polite">
            {run.ticks.map((tick, index) => (
              <li key={`${tick.stepId}${tick.atMs}`}>
                <span className="numeral text-soft">{index + 1}</span> {stepName({ id: tick.stepId })}
              </li>
            ))}
          </ol>
        </section>
        <section aria-labelledby="ask" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
          <h2 id="ask" className="font-bold">
            Ask
          </h2>
          <div className="flex flex-wrap gap-2">
            {station.onAsking.map((one, index) => (
              <Button key={one.ask} aria-pressed={run.asked.includes(index)} onClick={() => control.ask(index)}>
                {one.ask}
              </Button>
            ))}
          </div>
          <div role="status">
            {run.asked.map((index) => (
              <p key={index}>
                <span className="text-soft">{station.onAsking[index]?.ask}</span> <strong>{station.onAsking[index]?.answer}</strong>
              </p>
            ))}
          </div>
        </section>
        {station.asked.length > 0 ? (
          <section aria-labelledby="figures" className="grid gap-2 rounded-3xl border border-line bg-sheet p-4">
            <h2 id="figures" className="font-bold">
              Your figures
            </h2>
            {station.asked.map(({ decision }) => {
              const right = plan.decisions.find((one) => one.id === decision)
              const given = String(run.answers.find((one) => one.decision === decision)?.given ?? '')
              return right ? (
                <TextField
                  key={decision}
                  label={right.unit && !right.label.endsWith(right.unit) ? `${right.label}, ${right.unit}` : right.label}
                  inputMode="decimal"
                  maxLength={12}
                  value={given}
                  error={given !== '' && !Number.isFinite(Number(given.replace(',', '.'))) ? 'Type a figure such as 38.5.' : undefined}
                  onChange={(event) => control.answer(decision, event.target.value)}
                />
              ) : null
            })}
          </section>
        ) : null}
        {isEnding ? (
          <Notice tone="caution" lead="End it now?" role="alert">
            {left.length > 0 ? `${left.length} ${left.length === 1 ? 'step is' : 'steps are'} not done. ` : ''}The clock stops and the sheet
            is made.
            <span className="mt-2 flex flex-wrap gap-2">
              <Button look="next" onClick={onEnd}>
                End and score
              </Button>
              <Button onClick={() => setEnding(false)}>Go on</Button>
            </span>
          </Notice>
        ) : (
          <Button look="next" onClick={() => setEnding(true)}>
            I have finished
          </Button>
        )}
      </div>
    </div>
  )
}

/** What time is left, and what is said by the clock. */
function Clock({ station, startedAt }: { station: Station; startedAt: number }) {
  const now = useNow(250)
  const goneS = Math.max(0, (now - startedAt) / 1000)
  const leftMs = (station.limitS - goneS) * 1000
  const said = station.prompts.filter((one) => one.atS <= goneS)
  return (
    <div className="sticky top-0 z-10 flex flex-wrap items-baseline gap-x-4 bg-paper py-1">
      <p>
        <span role="timer" aria-label="Time left" className={`numeral text-3xl font-bold ${leftMs < 0 ? 'text-stop' : ''}`}>
          {leftMs >= 0 ? formatLeft(leftMs) : `−${formatLeft(-leftMs)}`}
        </span>{' '}
        <span className="text-soft">{leftMs >= 0 ? 'left' : 'over time'}</span>
      </p>
      <p role="status" className="font-semibold">
        {said.at(-1)?.text}
      </p>
    </div>
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
