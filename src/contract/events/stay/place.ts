import type { EpisodeRecord } from '../../records/episode'
import type { AfterChangeBody } from '../applying/after-change'
import { episodeKind } from '../kind'

export interface PlaceBody {
  readonly place: string
  /** To another team: rounds of what is on begin again at their first line. */
  readonly isTransfer?: true
}

/** Where the patient is. */
export const place = episodeKind<PlaceBody>({
  nature: 'replacing',
  right: 'add',
  isCompletedByServer: true,
  mayBeOfCase: ({ isTransfer }) => isTransfer === true,
  ofCase: (_stay, { body: { isTransfer } }, record) =>
    isTransfer && record.appliedAt !== null && record.removedAt === null && !record.ended
      ? { kind: 'after-change', body: { what: 'transferred' } satisfies AfterChangeBody }
      : null,
  fold: (record, { body }): EpisodeRecord => ({ ...record, place: body.place }),
  example: { place: 'Ward A, bed 2' },
})
