import type { CaseRecord } from '../../records/case'
import { exampleRunId } from '../example-ids'
import { caseKind } from '../kind'

export interface TakenOffBody {
  /** The run that took it off. */
  readonly runId: string
}

/** What was on the wrong limb is off it: nothing is on, and the case goes on with the right one. */
export const takenOff = caseKind<TakenOffBody>({
  nature: 'additive',
  answersStay: true,
  right: 'add',
  fold: ({ openedUpAt: _, ...record }, { at, actorName: by, body: { runId } }): CaseRecord => ({
    ...record,
    appliedAt: null,
    fit: [],
    takenOff: [...(record.takenOff ?? []), { runId, at, by }],
  }),
  example: { runId: exampleRunId },
})
