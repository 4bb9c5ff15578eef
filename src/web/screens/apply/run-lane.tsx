import { useMemo } from 'react'
import { wetNow } from '#core/runs/wet-now'
import { liveTimers, type RunRecord } from '#contract/records/run'
import type { Step } from '#core/model/step'
import { Lane } from '../../lane/lane'
import type { LaneProps } from '../../lane/lane-props'
import { useNow } from '../../sync/use-now'

const dryMs = 60_000
const wetMs = 1000
/** A part fades in so many steps from wet to hard: each is one drawing, not one a second. */
const fades = 10

/** The lane of a run, and what of it is workable: a part fades from lime to stone as it sets, and is drawn anew a few times in its time. */
export function RunLane({ run, steps, ...lane }: LaneProps & { run: RunRecord; steps: readonly Step[] }) {
  const isWet = run.timers.some((timer) => timer.kind === 'set')
  const now = useNow(isWet ? wetMs : dryMs)
  // Just wetted, the clock may not have ticked yet: nothing has more time left than all of it.
  const at = Math.max(now, ...run.timers.map((timer) => Date.parse(timer.startedAt)))
  const parts = (isWet ? wetNow(steps, liveTimers(run, at), at) : []).map((part) => ({
    ...part,
    share: Math.ceil(part.share * fades) / fades,
  }))
  const states = parts.map((part) => `${part.id} ${part.share} ${part.bands.join()}`).join('; ')
  // oxlint-disable-next-line react/exhaustive-deps -- the same states are the same drawing
  const drawn = useMemo(() => parts, [states])
  return <Lane {...lane} wet={drawn} />
}
