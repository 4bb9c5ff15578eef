import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface NoteBody {
  readonly text: string
}

/** A note. */
export const note = caseKind<NoteBody>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, notes: [...record.notes, { text: body.text, at, by }] }),
  example: { text: 'Toes warm.' },
})
