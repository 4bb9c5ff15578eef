import { caseKind } from './kind'

export interface IdentityCheckedBody {
  /** Side and region as they were read aloud. */
  readonly words: string
}

/** Identity and side were read aloud and confirmed afresh, after the side had been changed. */
export const identityChecked = caseKind<IdentityCheckedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by }) =>
    record.sideChange ? { ...record, sideChange: { ...record.sideChange, checked: { at, by } } } : record,
  example: { words: 'RIGHT ankle' },
})
