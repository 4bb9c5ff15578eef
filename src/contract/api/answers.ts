import type { Callee } from '../records/ward'
import type { CaseRecord } from '../records/case'
import type { EventMark } from '../event'
import type { EpisodeRecord } from '../records/episode'

/** Answer of GET /api/cases/:id: the case with its stay. */
export interface CaseAnswer {
  readonly record: CaseRecord
  readonly version: number
  readonly episode: EpisodeRecord
  readonly episodeVersion: number
  /** Ids of the latest events that the two records contain: what was sent and is among them is here already. */
  readonly contains: readonly string[]
  /** Who is called about this patient, in order, as the rotas know it now: for a device that then loses the line too. */
  readonly callees: readonly Callee[]
  /** Whether a pager brings the call; without one it is made by telephone. */
  readonly hasPager: boolean
  readonly now: string
}

/** Answer of POST /api/events: it is kept. What the core thinks of it follows, on the Board and wherever the case is read. */
export interface EventAnswer {
  readonly id: string
  readonly version: number
  readonly receivedAt: string
  /** Said of its time: it came late, or the clock of its device is wrong. */
  readonly mark?: EventMark
}

/** Answer of POST /api/sealed-events: the entry is kept, under its author's name. */
export interface SealedAnswer {
  readonly id: string
}
