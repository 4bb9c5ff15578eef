import { exampleRunId } from '../example-ids'
import { changeRun } from '../in-run'
import { caseKind } from '../kind'

export interface TimerEndedBody {
  readonly runId: string
  readonly timerId: string
}

/** A timer is ended or heard out. */
export const timerEnded = caseKind<TimerEndedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, body: { runId, timerId } }) =>
    changeRun(record, runId, (run) => ({
      ...run,
      timers: run.timers.map((timer) => (timer.id === timerId ? { ...timer, endedAt: at } : timer)),
    })),
  example: { runId: exampleRunId, timerId: 'set' },
})
