import type { BoardRow } from '#contract/api/board'
import { isAtPlace } from '#ward/case/at-place'

/** What falls due within so many minutes belongs to a round that is walked now. */
export const walkAheadMin = 30
/** A bed that was gone to this long ago was gone to in another walk. */
const walkMs = 2 * 3_600_000

/** When what was due was done here, or was not, ms since the epoch, by case. */
export type WalkedHere = Readonly<Record<string, number>>

export interface Walk {
  /** Beds to go to, in the order of a walk. */
  readonly beds: readonly BoardRow[]
  /** Beds that were gone to, and where nothing is due any more as far as is known here. */
  readonly done: readonly BoardRow[]
  /** How many at these places are not due yet. */
  readonly laterCount: number
}

/** Whether a bed is gone to now: something is due or nearly so, or what stands there is urgent. */
export function isDueNow(row: BoardRow, nowMs: number): boolean {
  if (row.nextDueAt === null) return false
  return row.level === 'urgent' || Date.parse(row.nextDueAt) <= nowMs + walkAheadMin * 60_000
}

/**
 * The walk through the places that somebody chose, or through all: what is urgent first, then bed by bed, then those where it could not be done.
 * @param areas how the names of the places begin; with none all of them are walked
 * @param walked what was done on this device and is not in the Board's lines yet
 */
export function planWalk(rows: readonly BoardRow[], areas: readonly string[], walked: WalkedHere, nowMs: number): Walk {
  const mine = rows.filter((row) => areas.length === 0 || areas.some((area) => isAtPlace(row.place, area)))
  const walkedMs = (row: BoardRow): number => walked[row.caseId] ?? 0
  const isThisWalk = (row: BoardRow): boolean => nowMs - walkedMs(row) < walkMs
  // The line of a bed that was gone to may not know of it yet; afterwards it says itself what is still due.
  const isOwed = (row: BoardRow): boolean => row.nextDueAt !== null && Date.parse(row.nextDueAt) <= nowMs
  const isDone = (row: BoardRow): boolean => isThisWalk(row) && (walkedMs(row) > Date.parse(row.asOf) || !isOwed(row))
  const done = mine.filter(isDone)
  const beds = mine.filter((row) => !isDone(row) && isDueNow(row, nowMs))
  // Whoever was asleep comes again at the end.
  const turn = (row: BoardRow): number => (isThisWalk(row) ? 2 : row.level === 'urgent' ? 0 : 1)
  return {
    beds: beds.sort(
      (a, b) => turn(a) - turn(b) || a.place.localeCompare(b.place, undefined, { numeric: true }) || a.caseId.localeCompare(b.caseId),
    ),
    done,
    laterCount: mine.length - done.length - beds.length,
  }
}
