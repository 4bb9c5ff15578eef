import type { RunStartedBody } from '../records/run'
import { exampleRunId } from './example-ids'
import { caseKind } from './kind'
import { planInNewSense } from './ankle-sense'
import { planWithRoles } from './steps-with-roles'

/** An application, or an opening, begins. */
export const runStarted = caseKind<RunStartedBody>({
  nature: 'additive',
  right: 'add',
  upcasters: [planInNewSense, planWithRoles],
  fold: (record, { at, actorName: by, body: { runId, ...facts } }) =>
    record.runs.some((run) => run.id === runId)
      ? record
      : { ...record, runs: [...record.runs, { id: runId, startedAt: at, by, ...facts, steps: [], timers: [] }] },
  example: { runId: exampleRunId },
})
