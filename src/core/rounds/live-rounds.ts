import type { ScheduleEntry } from '../model/plan'
import type { Protocol } from '../quantities/defaults'
import { graceFor, limitRounds, roundMinutes, type RoundLimits } from '../planner/schedule-rounds'

/** A round that was done, as the schedule sees it. */
export interface DoneRound {
  /** ISO 8601. */
  readonly at: string
  readonly isComplete: boolean
  readonly isUrgent: boolean
}

export interface LiveRound {
  readonly id: string
  /** Milliseconds since the epoch. */
  readonly dueAt: number
  readonly graceMin: number
  readonly doneAt: string | null
}

/**
 * The rounds of a case as they stand: due times from the application, restarted at the first line after an
 * urgent round, and each complete round ticking off what was due up to then.
 * @param appliedAt ISO 8601 with offset
 * @param zone IANA
 * @param isAtRisk from the case; also holds for 24 h after an urgent round
 * @param limits where the technique's rounds differ from the list; an urgent round sets them aside
 * @param done rounds in any order; incomplete ones leave the round due
 */
export function liveRounds(
  appliedAt: string,
  zone: string,
  isAtRisk: boolean,
  done: readonly DoneRound[],
  protocol: Protocol,
  limits?: RoundLimits,
): readonly LiveRound[] {
  const ordered = done.map((round) => ({ ...round, ms: Date.parse(round.at) })).sort((a, b) => a.ms - b.ms)
  const urgent = ordered.findLast((round) => round.isUrgent)
  const startedAt = urgent?.at ?? appliedAt
  const start = Date.parse(startedAt)
  const minutes = limitRounds(roundMinutes(isAtRisk || urgent !== undefined, startedAt, zone, 72 * 60), urgent ? undefined : limits)
  const complete = ordered.filter((round) => round.isComplete && round.ms > start)
  return minutes.map((minute, index) => {
    const before = minutes[index - 1] ?? 0
    const graceMin = graceFor(minute - before, protocol)
    const dueAt = start + minute * 60_000
    const opens = dueAt - ((minute - before) / 2) * 60_000
    const by = complete.find((round) => round.ms >= opens)
    return { id: `round-${index + 1}`, dueAt, graceMin, doneAt: by?.at ?? null }
  })
}

/** The next round that is not done, or null when the list has run out. */
export function nextRound(rounds: readonly LiveRound[]): LiveRound | null {
  return rounds.find((round) => round.doneAt === null) ?? null
}

/** A schedule entry as a point in time, for reviews and care. */
export function dueAtOf(entry: ScheduleEntry, appliedAt: string): number {
  return Date.parse(appliedAt) + entry.dueMin * 60_000
}
