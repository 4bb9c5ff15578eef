import { wetNow, type WetPart } from '#core/runs/wet-now'
import type { Step } from '#core/model/step'
import { liveTimers, type RunRecord } from '#contract/records/run'
import { wetName } from '../../lane/wet-legend'
import { useNow } from '../../sync/use-now'
import { runningHold } from './hold-end'
import { formatLeft } from '../../parts/format-left'

/** The clock of every part that is wet, the most pressing in large figures; where something is held until it is hard, that hold first. */
export function WetClock({ run, steps, step }: { run: RunRecord; steps: readonly Step[]; step: Step }) {
  const now = useNow(500)
  const [first, ...others] = [...holdOf(run, step, now), ...wetNow(steps, liveTimers(run, now), now)]
  if (!first) return null
  const isPressing = first.leftMs < 60_000
  return (
    <div className="ml-auto min-w-52 flex-1 sm:flex-none">
      <p className="flex items-baseline justify-between gap-3 font-bold">
        <span>{wordsOf(first.id, first.label, first.leftMs)}</span>
        <span className={`numeral text-2xl ${isPressing ? 'text-caution' : ''}`}>{formatLeft(first.leftMs)}</span>
      </p>
      <div aria-hidden className="mt-1 h-2.5 overflow-hidden rounded-full bg-well">
        <div className={`h-full rounded-full ${isPressing ? 'bg-caution' : 'bg-ink'}`} style={{ width: `${first.share * 100}%` }} />
      </div>
      {others.map((part) => (
        <p key={part.id} className="mt-1 flex items-baseline justify-between gap-3 text-sm">
          <span>{wordsOf(part.id, part.label, part.leftMs)}</span>
          <span className="numeral">{formatLeft(part.leftMs)}</span>
        </p>
      ))}
    </div>
  )
}

/** The hold that ends with this step, as a part among the others. */
function holdOf(run: RunRecord, step: Step, nowMs: number): readonly Pick<WetPart, 'id' | 'label' | 'leftMs' | 'share'>[] {
  const hold = runningHold(run, step)
  if (!hold) return []
  const wholeMs = hold.minutes * 60_000
  const leftMs = Date.parse(hold.startedAt) + wholeMs - nowMs
  return [{ id: hold.id, label: hold.label, leftMs, share: Math.max(0, leftMs / wholeMs) }]
}

function wordsOf(id: string, label: string, leftMs: number): string {
  if (id === 'set') return leftMs < 0 ? 'Set, in this estimate' : 'Sets in'
  return leftMs < 0 ? `${wetName(label)}: set, in this estimate` : label
}
