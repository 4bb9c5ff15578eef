import { episodeKind } from '../kind'

export interface LookedInBody {
  /** Why somebody from outside the patient's places and team opens the record. */
  readonly reason: string
}

/** Somebody from outside opens a patient's record and says why: only where the house keeps care teams. */
export const lookedIn = episodeKind<LookedInBody>({
  nature: 'additive',
  right: 'read',
  isOfNoPatient: true,
  isWatched: 'looked-in',
  words: ({ reason }) => `Opened from outside the care team: ${reason}`,
  example: { reason: 'I was called to this patient' },
})
