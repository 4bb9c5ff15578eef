import type { CaseRecord } from '../../records/case'
import { wrongSideId } from '#core/techniques/shared/any-troubles'
import { caseKind } from '../kind'

export interface IdentityCheckedBody {
  /** Side and region as they were read aloud. */
  readonly words: string
}

/** Identity and side were read aloud and confirmed afresh, after the side had been changed or doubted. */
export const identityChecked = caseKind<IdentityCheckedBody>({
  nature: 'additive',
  answersStay: true,
  right: 'add',
  fold: (record, { at, actorName: by }): CaseRecord => ({
    ...record,
    ...(record.sideChange ? { sideChange: { ...record.sideChange, checked: { at, by } } } : {}),
    ...(record.troubles
      ? {
          troubles: record.troubles.map((trouble) =>
            trouble.troubleId === wrongSideId && !trouble.ended ? { ...trouble, ended: { at, by, word: 'read aloud afresh' } } : trouble,
          ),
        }
      : {}),
  }),
  example: { words: 'RIGHT ankle' },
})
