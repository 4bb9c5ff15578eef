import type { Station } from '#core/practice/stations/station'
import type { Move } from '#core/practice/drill/drill-state'
import type { StationMark } from '#core/practice/stations/marks'
import type { PracticeGroup, PracticePerson, SittingWay, TeamRole } from '../records/practice'
import type { GroupOverview } from './practice-overview'
import type { StepBand } from './practice-overview'
import type { Progress } from './practice-overview'
import type { SeenSitting } from './practice-overview'

/** Body of POST /api/practice/sittings/:id: whose run it is, and the marks that are new. The same again changes nothing. */
export interface SittingPost {
  readonly way: SittingWay
  readonly station: Station
  readonly candidates: readonly { readonly id: string; readonly role: TeamRole | null }[]
  /** ISO 8601 UTC */
  readonly begunAt: string
  readonly marks: readonly StationMark[]
}

/** So many marks are taken at once. */
export const mostMarksAtOnce = 200

/** A sitting in a list. */
export interface SittingLine {
  readonly id: string
  readonly way: SittingWay
  readonly stationName: string
  readonly technique: string
  readonly candidates: readonly PracticePerson[]
  readonly examiners: readonly PracticePerson[]
  readonly begunAt: string
  /** Null while it runs. */
  readonly result: { readonly total: number; readonly hasPassed: boolean } | null
}

/** Answer of GET /api/practice/sittings: what the asker may see of the last weeks, the newest first. */
export interface SittingsAnswer {
  readonly now: string
  readonly sittings: readonly SittingLine[]
}

/**
 * Answer of GET /api/practice/sittings/:id. While it runs a candidate gets the brief, the clock and what was told on asking, and an examiner
 * their own marks; once it is ended both get every sheet.
 */
export interface SittingAnswer extends SeenSitting {
  readonly now: string
  /** How long others took, once it is ended. */
  readonly bands: readonly StepBand[]
}

/** Answer of GET /api/practice/progress. */
export interface ProgressAnswer {
  readonly now: string
  readonly progress: Progress
}

/** Answer of GET /api/practice/groups. */
export interface GroupsAnswer {
  readonly now: string
  readonly groups: readonly (PracticeGroup & { readonly overview: GroupOverview })[]
}

/** Body of POST /api/practice/drills/:id: a night that is over, from which the server works its score out again. */
export interface DrillPost {
  readonly night: string
  readonly seed: string
  readonly moves: readonly Move[]
  /** The minute at which it was ended before the morning; absent where it was played through. */
  readonly endedAtMin?: number
}

/** A night that was ended before so many minutes says nothing of who played it, and is not kept. */
export const leastNightMin = 60
/** Letters of a seed at most. */
export const longestSeed = 40
/** So many things are done in a night at most. */
export const mostMoves = 2_000

/** A station that somebody here made. */
export interface OwnStation {
  readonly station: Station
  readonly by: PracticePerson
  readonly at: string
}

/** Answer of GET /api/practice/stations. */
export interface OwnStationsAnswer {
  readonly now: string
  readonly stations: readonly OwnStation[]
}
