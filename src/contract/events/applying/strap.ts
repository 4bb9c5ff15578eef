import type { CaseRecord } from '../../records/case'
import type { StrapBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** How a strap stands. */
export const strap = caseKind<StrapBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, event): CaseRecord =>
    changeRun(record, event.body.runId, (run) => ({ ...run, straps: byTime([...(run.straps ?? []), recordedIn(event)]) })),
  example: { runId: exampleRunId, stepId: 'straps', strapId: 'strap-1', mark: 'snug', reason: '' },
})
