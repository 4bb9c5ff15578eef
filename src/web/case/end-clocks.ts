import type { TimerKind } from '#core/model/step'
import type { RunRecord } from '#contract/records/run'
import { runningClocks } from '#contract/views/run-clocks'
import { writeEvent } from '../sync/case-store'
import { serverNow } from '../sync/server-clock'

/** Ends the clocks of a run that count something which is there now. */
export function endClocks(run: RunRecord, kinds: readonly TimerKind[]): void {
  for (const timerId of runningClocks(run, kinds, serverNow())) void writeEvent('timer-ended', { runId: run.id, timerId })
}
