import type { Level } from '#core/model/finding'
import type { Region, Side } from '#core/model/vocabulary'

/** One live case as the Board shows it; kept with the case and read without folding anything. */
export interface BoardRow {
  readonly caseId: string
  readonly episodeId: string
  readonly patient: string
  readonly isTemporaryName: boolean
  readonly place: string
  readonly technique: string
  readonly techniqueName: string
  readonly region: Region | null
  readonly side: Side | null
  readonly stage: Stage
  /** Level of the last round, null before any. */
  readonly level: Level | null
  readonly finding: string | null
  /** ISO 8601 UTC; null when nothing is scheduled. */
  readonly nextDueAt: string | null
  readonly graceMin: number
  readonly nextWhat: string | null
  readonly openedAt: string
}

export interface BoardAnswer {
  readonly rows: readonly BoardRow[]
  /** Server time when the rows were read, ISO 8601 UTC. */
  readonly now: string
}

/** The path that every case walks, in order. */
export const stages = ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch'] as const
export type Stage = (typeof stages)[number]
