import type { CaseRecord } from '../../records/case'
import { spoken } from '#core/model/vocabulary'
import type { StepBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** A step was done, skipped or taken back. */
export const step = caseKind<StepBody>({
  nature: 'additive',
  right: 'add',
  words: ({ stepId, outcome, reason, despite }) =>
    `Step ${spoken(stepId)} ${outcome}${reason ? `: ${reason}` : ''}${despite?.length ? `, despite ${despite.map(spoken).join(', ')}` : ''}`,
  fold: (record, event): CaseRecord =>
    changeRun(record, event.body.runId, (run) => ({ ...run, steps: byTime([...run.steps, recordedIn(event)]) })),
  example: { runId: exampleRunId, stepId: 'position', outcome: 'done', reason: '' },
})
