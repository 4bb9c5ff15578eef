import { liveTimers, type RunRecord } from '#contract/records/run'
import { useNow } from '../../sync/use-now'
import { formatLeft } from '../../parts/format-left'

/** The setting clock in large figures while something is wet. */
export function WetClock({ run }: { run: RunRecord }) {
  const now = useNow(500)
  const timer = liveTimers(run, now).find((one) => one.id === 'set')
  if (!timer) return null
  const left = Date.parse(timer.startedAt) + timer.minutes * 60_000 - now
  const share = Math.min(1, Math.max(0, left / (timer.minutes * 60_000)))
  return (
    <div className="ml-auto min-w-52 flex-1 sm:flex-none">
      <p className="flex items-baseline justify-between gap-3 font-bold">
        <span>{left < 0 ? 'Set, in this estimate' : 'Sets in'}</span>
        <span className={`numeral text-2xl ${left < 60_000 ? 'text-caution' : ''}`}>{formatLeft(left)}</span>
      </p>
      <div aria-hidden className="mt-1 h-2.5 overflow-hidden rounded-full bg-well">
        <div className={`h-full rounded-full ${left < 60_000 ? 'bg-caution' : 'bg-ink'}`} style={{ width: `${share * 100}%` }} />
      </div>
    </div>
  )
}
