/** So many entries are listed at once: what has waited longest. */
export const countersignPageSize = 500

/** What was said by telephone is owed by whoever said it after so many minutes. */
export const owedAfterMin = 60

/** One entry that waits for a clinician's name. */
export interface EntryToSign {
  readonly eventId: string
  /** ISO 8601 UTC. */
  readonly at: string
  /** What was entered, in words. */
  readonly words: string
}

/** What one person entered in one case, or for a whole stay, that waits for the same name. */
export interface GroupToSign {
  readonly episodeId: string
  /** Where to look at it; for entries of the whole stay one of its cases. */
  readonly caseId: string | null
  readonly patient: string
  readonly place: string
  /** The technique of the case; empty for entries of the whole stay. */
  readonly technique: string
  readonly by: string
  /** Whose own name alone will do, because they said it by telephone; "a lead" where they have no account. Null: any clinician's. */
  readonly signer: string | null
  /** Whether whoever asks may sign it. */
  readonly isYours: boolean
  readonly entries: readonly EntryToSign[]
}

/** Answer of GET /api/countersign: what has waited longest first. */
export interface CountersignAnswer {
  readonly groups: readonly GroupToSign[]
  /** How many whoever asks may sign. */
  readonly waiting: number
  readonly now: string
}
