/** Why an entry that came from a device was not taken: its author's access was ended or reset, or they may do less since; the device unpaired; it waited too long. */
export const heldReasons = ['access-ended', 'fewer-roles', 'unpaired', 'too-old'] as const
export type HeldReason = (typeof heldReasons)[number]

/** What a lead does with a held entry: it goes under its author's name with their own beside it, or it is put aside, with a reason. */
export const heldOutcomes = ['taken', 'put-aside'] as const
export type HeldOutcome = (typeof heldOutcomes)[number]

/** One entry that waits for a lead. */
export interface HeldEntry {
  readonly id: string
  /** When it was entered, as its device says, ISO 8601 UTC. */
  readonly at: string
  readonly receivedAt: string
  readonly by: string
  readonly why: HeldReason
  /** Empty where its stay is not known here. */
  readonly patient: string
  readonly place: string
  /** Where to look at it; null where its case is not known here. */
  readonly caseId: string | null
  /** What was entered, in words. */
  readonly words: string
}

/** So many are listed at once: what was entered first. */
export const heldPageSize = 200

/** Answer of GET /api/held. */
export interface HeldAnswer {
  readonly entries: readonly HeldEntry[]
  readonly waiting: number
  readonly now: string
}

/** Body of POST /api/held/:id. */
export interface HeldDecision {
  readonly how: HeldOutcome
  /** Why it is put aside; empty where it is taken. */
  readonly why: string
}
