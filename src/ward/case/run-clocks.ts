import type { Step, TimerKind } from '#core/model/step'
import { liveTimers, type RunRecord, type TimerRecord } from '#contract/records/run'

/** The clock of a hold that still runs: before its end the hold ends only for a reason. How long a roll stays workable is no hold. */
export function runningHold(run: RunRecord, step: Pick<Step, 'id'>, nowMs: number): TimerRecord | null {
  const own = liveTimers(run, nowMs, 0).filter((timer) => timer.until === step.id && timer.kind === 'hold')
  return own.find((timer) => Date.parse(timer.startedAt) + timer.minutes * 60_000 > nowMs) ?? null
}

/** Ids of the clocks of some kinds that run, in their order. */
export function runningClocks(run: RunRecord, kinds: readonly TimerKind[], nowMs: number): readonly string[] {
  return liveTimers(run, nowMs, 0).flatMap((timer) => (timer.kind && kinds.includes(timer.kind) ? [timer.id] : []))
}

/** How far it has set, 0 to 1 and beyond, by its setting clock; 1 where that was ended, 0 where none ran. */
export function setPart({ timers }: Pick<RunRecord, 'timers'>, nowMs: number): number {
  const set = timers.findLast((timer) => timer.kind === 'set')
  if (!set) return 0
  if (set.endedAt && Date.parse(set.endedAt) >= Date.parse(set.startedAt)) return 1
  return (nowMs - Date.parse(set.startedAt)) / (set.minutes * 60_000)
}

/** From this part of setting on what lost its hold is held as it lies: bent back it cracks inside. */
const stiffFrom = 0.8

/** What is done where a hold was lost: soft it is lifted back and its clock begins anew, stiff it is held as it lies. */
export interface LostHold {
  readonly words: readonly string[]
  readonly beginsAnew: boolean
}

/** @param part how far it has set, as `setPart` says it */
export function lostHold(part: number): LostHold {
  return part < stiffFrom
    ? {
        words: ['Lift it back to its angle, mould again, hold anew.', 'The setting clock runs on; the clock of the hold begins anew now.'],
        beginsAnew: true,
      }
    : {
        words: ['Hold it as it lies; do not bend it back.', 'Read the angle, feel pulse and feeling, then call a senior.'],
        beginsAnew: false,
      }
}
