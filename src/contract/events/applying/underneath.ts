import type { CaseRecord } from '../../records/case'
import type { UnderneathBody } from '../../records/underneath'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** How the skin and the limb were, where something came off at a step. */
export const underneath = caseKind<UnderneathBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, event): CaseRecord =>
    changeRun(record, event.body.runId, (run) => ({ ...run, underneath: byTime([...(run.underneath ?? []), recordedIn(event)]) })),
  example: { runId: exampleRunId, stepId: 'under-old', skin: 'intact', pulse: 'felt', moves: 'as-before' },
})
