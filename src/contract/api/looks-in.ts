/** What a refusal `say-why` tells beside its words: an event `looked-in` to this stay opens the case. */
export interface SayWhy {
  readonly episodeId: string
  readonly why: OutsideReason
}

/** So many days back leads see who opened what. */
export const looksBackDays = 31

/** Answer of GET /api/looks-in: who opened a record from outside the care team, the newest first. */
export interface LooksInAnswer {
  readonly looks: readonly {
    readonly id: string
    /** ISO 8601 UTC. */
    readonly at: string
    readonly by: string
    readonly reason: string
    /** Initials alone where the record is confidential. */
    readonly patient: string
    readonly place: string
  }[]
  /** How many there were in these days, shown or not. */
  readonly count: number
  readonly now: string
}

/** Why somebody says why before a case opens to them. */
export type OutsideReason = 'outside' | 'confidential'
