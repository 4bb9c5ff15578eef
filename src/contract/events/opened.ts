import { exampleRunId } from './example-ids'
import { caseKind } from './kind'

export interface OpenedBody {
  readonly runId: string
}

/** The cast was opened: rounds begin again from there. */
export const opened = caseKind<OpenedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at }) => ({ ...record, openedUpAt: at }),
  example: { runId: exampleRunId },
})
