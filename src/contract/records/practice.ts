import type { StationMark } from '#core/practice/stations/marks'
import type { Station } from '#core/practice/stations/station'

/** Ways to run a station: the application is the manikin; somebody looks on and marks; several work together. */
export const sittingWays = ['alone', 'examined', 'team'] as const
export type SittingWay = (typeof sittingWays)[number]

/** What somebody does in a team. */
export const teamRoles = {
  lead: 'leads',
  apply: 'applies',
  hold: 'holds',
  fetch: 'fetches and times',
} as const
export type TeamRole = keyof typeof teamRoles
export const teamRoleIds = Object.keys(teamRoles) as readonly TeamRole[]

/** Somebody as practice names them. */
export interface PracticePerson {
  readonly id: string
  readonly name: string
}

export interface Candidate extends PracticePerson {
  /** Null outside a team. */
  readonly role: TeamRole | null
}

/** One time that a station was done. The station is a copy: what its author changes later changes no score. */
export interface Sitting {
  readonly id: string
  readonly way: SittingWay
  readonly station: Station
  readonly candidates: readonly Candidate[]
  /** ISO 8601 UTC; the marks count from here. */
  readonly begunAt: string
  /** Who marked, with what they marked; alone it is the candidate. */
  readonly examiners: readonly SittingExaminer[]
}

export interface SittingExaminer extends PracticePerson {
  readonly marks: readonly StationMark[]
}

/** A night of the drill that somebody finished. */
export interface DrillResult {
  readonly id: string
  readonly person: PracticePerson
  /** ISO 8601 UTC */
  readonly at: string
  readonly night: string
  readonly seed: string
  /** The minute at which it was ended before the morning; null where it was played through. */
  readonly endedAtMin: number | null
  /** 0 to 100, up to there. */
  readonly score: number
  /** What the two computed players reached on the same night. */
  readonly perfect: number
  readonly byList: number
}

/** People who learn together, as their trainer put them together. */
export interface PracticeGroup {
  readonly id: string
  readonly name: string
  readonly members: readonly PracticePerson[]
}
