import type { CaseRecord } from '../../records/case'
import { exampleId, exampleRunId } from '../example-ids'
import { changeRun } from '../in-run'
import { caseKind } from '../kind'

export interface TimerEndedBody {
  readonly runId: string
  readonly timerId: string
  /** The trouble that ended it: the id of its event. Taken back as a slip, the clock goes on. */
  readonly troubleEvent?: string
}

/** A timer is ended or heard out. */
export const timerEnded = caseKind<TimerEndedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, body: { runId, timerId, troubleEvent } }): CaseRecord =>
    changeRun(record, runId, (run) => ({
      ...run,
      timers: run.timers.map((timer) =>
        timer.id === timerId ? { ...timer, endedAt: at, ...(troubleEvent === undefined ? {} : { endedFor: troubleEvent }) } : timer,
      ),
    })),
  example: { runId: exampleRunId, timerId: 'set', troubleEvent: exampleId },
})
