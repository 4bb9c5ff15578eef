import type { CaseRecord } from '../../records/case'
import type { PullBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** A pull with the pain before and after it. */
export const pull = caseKind<PullBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, event): CaseRecord =>
    changeRun(record, event.body.runId, (run) => ({ ...run, pulls: byTime([...(run.pulls ?? []), recordedIn(event)]) })),
  example: { runId: exampleRunId, stepId: 'pull', kg: 5.9, painBefore: 8, painAfter: 3, isEqualLength: true, tool: 'scale' },
})
