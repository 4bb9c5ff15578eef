import type { TimerKind } from '#core/model/step'
import type { RunRecord } from '#contract/records/run'
import { runningClocks } from '#ward/case/run-clocks'
import { writeEvent } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'

/**
 * Ends the clocks of a run that count something which is there now.
 * @param troubleEvent the trouble that ends them: taken back, they go on
 */
export function endClocks(run: RunRecord, kinds: readonly TimerKind[], troubleEvent?: string): void {
  for (const timerId of runningClocks(run, kinds, serverNow())) {
    void writeEvent('timer-ended', { runId: run.id, timerId, ...(troubleEvent === undefined ? {} : { troubleEvent }) })
  }
}
