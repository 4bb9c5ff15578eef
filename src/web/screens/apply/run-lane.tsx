import { wetNow } from '#core/runs/wet-now'
import { liveTimers, type RunRecord } from '#contract/records/run'
import type { Step } from '#core/model/step'
import { Lane } from '../../lane/lane'
import type { LaneProps } from '../../lane/lane-props'
import { useNow } from '../../sync/use-now'

/** The lane of a run: while something is wet, what of it is workable, by the second. */
export function RunLane({ run, steps, ...lane }: LaneProps & { run: RunRecord; steps: readonly Step[] }) {
  const isWet = run.timers.some((timer) => timer.kind === 'set')
  return isWet ? <WetLane run={run} steps={steps} {...lane} /> : <Lane {...lane} />
}

function WetLane({ run, steps, ...lane }: LaneProps & { run: RunRecord; steps: readonly Step[] }) {
  const now = useNow(1000)
  return <Lane {...lane} wet={wetNow(steps, liveTimers(run, now), now)} />
}
