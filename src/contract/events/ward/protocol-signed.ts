import type { WardRecord } from '../../records/ward'
import { wardKind } from '../kind'

/** Names a draft by when it was written. */
export interface DraftNamed {
  /** ISO 8601 */
  readonly draftedAt: string
}

/** A lead signs the draft as it stands: what goes beyond a guarded figure needs two. */
export const protocolSigned = wardKind<DraftNamed>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: (record, { at, actor, actorName: by }): WardRecord =>
    record.draft
      ? {
          ...record,
          draft: { ...record.draft, signed: [...record.draft.signed.filter((one) => one.actor !== actor), { at, by, actor }] },
        }
      : record,
  example: { draftedAt: '2027-01-12T08:00:00.000Z' },
})
