import type { CaseRecord } from '../../records/case'
import type { RunStartedBody } from '../../records/run'
import { runName } from '../../records/run-kind'
import { exampleRunId } from '../example-ids'
import { caseKind } from '../kind'

/** An application, or an opening, begins, driven by the device that says so. */
export const runStarted = caseKind<RunStartedBody>({
  nature: 'additive',
  right: 'add',
  isLong: true,
  words: (body) => `Begun: ${runName(body)}${body.withoutPlan ? `, without a plan: ${body.withoutPlan}` : ''}`,
  fold: (record, { at, actorName: by, body: { runId, device, ...facts } }): CaseRecord => {
    if (record.runs.some((run) => run.id === runId)) return record
    const driver = device === undefined ? {} : { driver: { device, by, at } }
    return { ...record, runs: [...record.runs, { id: runId, startedAt: at, by, ...facts, ...driver, steps: [], timers: [] }] }
  },
  example: { runId: exampleRunId },
})
