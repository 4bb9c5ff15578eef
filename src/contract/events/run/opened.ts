import type { CaseRecord } from '../../records/case'
import { exampleRunId } from '../example-ids'
import { caseKind } from '../kind'

export interface OpenedBody {
  readonly runId: string
}

/** What is on was opened: rounds begin again from there, opened at once with looks at 5 and 15 minutes. */
export const opened = caseKind<OpenedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, body }): CaseRecord => {
    const isOpenNow = record.runs.some((run) => run.id === body.runId && run.isOpenNow)
    return { ...record, openedUpAt: at, ...(isOpenNow ? { openedNowAt: at } : {}) }
  },
  example: { runId: exampleRunId },
})
