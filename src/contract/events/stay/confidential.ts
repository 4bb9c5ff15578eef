import { episodeKind } from '../kind'

export interface ConfidentialBody {
  readonly isConfidential: boolean
  readonly reason: string
}

/** The record of a patient is for the team that cares for them alone, or no longer: where the house keeps care teams. */
export const confidential = episodeKind<ConfidentialBody>({
  nature: 'replacing',
  right: 'decide',
  isOfNoPatient: true,
  words: ({ isConfidential, reason }) => `${isConfidential ? 'Marked confidential' : 'No longer confidential'}: ${reason}`,
  fold({ confidential: _, ...record }, { at, actorName: by, body: { isConfidential, reason } }) {
    return isConfidential ? { ...record, confidential: { at, by, reason } } : record
  },
  example: { isConfidential: true, reason: 'a colleague of the ward' },
})
