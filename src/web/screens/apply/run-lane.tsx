import { useMemo } from 'react'
import { wetNow } from '#core/runs/wet-now'
import { liveTimers, type RunRecord } from '#contract/records/run'
import type { Step } from '#core/model/step'
import { Lane } from '../../lane/lane'
import type { LaneProps } from '../../lane/lane-props'
import { WetLegend } from '../../lane/wet-legend'
import { useNow } from '../../sync/use-now'

const dryMs = 60_000
const wetMs = 1000

/** The lane of a run, and what of it is workable: the words by the second, the drawing only when a part changes its state. */
export function RunLane({ run, steps, ...lane }: LaneProps & { run: RunRecord; steps: readonly Step[] }) {
  const isWet = run.timers.some((timer) => timer.kind === 'set')
  const now = useNow(isWet ? wetMs : dryMs)
  // Just wetted, the clock may not have ticked yet: nothing has more time left than all of it.
  const at = Math.max(now, ...run.timers.map((timer) => Date.parse(timer.startedAt)))
  const parts = isWet ? wetNow(steps, liveTimers(run, at), at) : []
  const states = parts.map((part) => `${part.id} ${part.state} ${part.bands.join()}`).join('; ')
  // oxlint-disable-next-line react/exhaustive-deps -- the same states are the same drawing
  const drawn = useMemo(() => parts, [states])
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <Lane {...lane} wet={drawn} />
      {parts.length > 0 ? <WetLegend wet={parts} /> : null}
    </div>
  )
}
