import type { CaseRecord } from '../../records/case'
import type { AngleBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** An angle as it was read at a step, degrees. */
export const angle = caseKind<AngleBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, event): CaseRecord =>
    changeRun(record, event.body.runId, (run) => ({ ...run, angles: byTime([...(run.angles ?? []), recordedIn(event)]) })),
  example: { runId: exampleRunId, stepId: 'mould', angleId: 'ankle', deg: 88.5, tool: 'digital-goniometer' },
})
