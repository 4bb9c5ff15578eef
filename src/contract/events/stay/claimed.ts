import type { EpisodeRecord } from '../../records/episode'
import { episodeKind } from '../kind'

export interface ClaimedBody {
  /** What they say of it: were they there, who else was. */
  readonly words: string
}

/** A stay that was begun without an account becomes somebody's: they answer for what was entered. */
export const claimed = episodeKind<ClaimedBody>({
  nature: 'additive',
  right: 'decide',
  fold: (record, { at, actorName: by, body: { words } }): EpisodeRecord =>
    record.unattributed && !record.unattributed.claimed
      ? { ...record, unattributed: { ...record.unattributed, claimed: { at, by, words } } }
      : record,
  example: { words: 'I splinted the leg in Resus 2; the student held the knee.' },
})
