import type { CaseRecord } from '../../records/case'
import type { TroubleBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** Something went wrong, in a run or between runs. */
export const trouble = caseKind<TroubleBody>({
  nature: 'additive',
  right: 'add',
  isUrgent: true,
  fold: (record, event): CaseRecord => {
    const trouble = { ...recordedIn(event), id: event.id }
    const noted = { ...record, troubles: [...(record.troubles ?? []), trouble] }
    const { runId } = event.body
    return runId === null ? noted : changeRun(noted, runId, (run) => ({ ...run, troubles: [...(run.troubles ?? []), trouble] }))
  },
  example: { runId: exampleRunId, stepId: 'mould', troubleId: 'too-hot', label: 'Too hot', note: '' },
})
