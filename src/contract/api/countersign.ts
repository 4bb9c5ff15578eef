/** So many entries are listed at once: what has waited longest. */
export const countersignPageSize = 500

/** One entry that waits for a clinician's name. */
export interface EntryToSign {
  readonly eventId: string
  /** ISO 8601 UTC. */
  readonly at: string
  /** What was entered, in words. */
  readonly words: string
}

/** What one trainee entered in one case, or for a whole stay. */
export interface GroupToSign {
  readonly episodeId: string
  /** Where to look at it; for entries of the whole stay one of its cases. */
  readonly caseId: string | null
  readonly patient: string
  readonly place: string
  /** The technique of the case; empty for entries of the whole stay. */
  readonly technique: string
  readonly by: string
  readonly entries: readonly EntryToSign[]
}

/** Answer of GET /api/countersign: what has waited longest first. */
export interface CountersignAnswer {
  readonly groups: readonly GroupToSign[]
  readonly waiting: number
  readonly now: string
}
