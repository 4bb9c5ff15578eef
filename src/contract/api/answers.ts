import type { Caution } from '#core/model/plan'
import type { Problem } from '#core/model/problem'
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
  readonly now: string
}

/** Answer of POST /api/events: what the server now holds, and what the core says about it. */
export interface EventAnswer {
  readonly id: string
  readonly version: number
  readonly receivedAt: string
  /** Said of its time: it came late, or the clock of its device is wrong. */
  readonly mark?: EventMark
  /** For events that bear on a case's plan: clinical doubts about what was just stored. */
  readonly problems: readonly Problem[]
  readonly cautions: readonly Caution[]
}

/** Answer of POST /api/sealed-events: the entry is kept, under its author's name. */
export interface SealedAnswer {
  readonly id: string
}
