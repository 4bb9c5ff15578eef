import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface WorryBody {
  /** One line; empty where nothing worries any more. */
  readonly text: string
}

/** What worries whoever looks after the patient, for whoever comes next. */
export const worry = caseKind<WorryBody>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, worry: { text: body.text, at, by } }),
  example: { text: 'Quieter than this morning; look at the toes twice' },
})
