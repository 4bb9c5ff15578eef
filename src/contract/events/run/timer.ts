import type { CaseRecord } from '../../records/case'
import type { TimerBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { changeRun } from '../in-run'
import { caseKind } from '../kind'

/** A timer starts: what is left follows from the clock. */
export const timer = caseKind<TimerBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, body: { runId, timerId: id, ...timer } }): CaseRecord => {
    const { waterC, roomC, backing } = record.setup
    // What is set later is for the next roll.
    const wet = timer.kind === 'wetting' || timer.kind === 'set' ? { wetIn: { waterC, roomC, backing } } : {}
    return changeRun(record, runId, (run) => ({
      ...run,
      timers: [...run.timers.filter((one) => one.id !== id), { id, ...timer, ...wet, startedAt: at }],
    }))
  },
  example: { runId: exampleRunId, timerId: 'set', label: 'Setting', minutes: 5, kind: 'set', until: 'finish' },
})
