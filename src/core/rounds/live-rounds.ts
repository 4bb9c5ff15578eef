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

export interface LiveList {
  /** ISO 8601 with offset: application, or the last opening, transfer or theatre. */
  readonly startedAt: string
  /** IANA */
  readonly zone: string
  /** From the case; an urgent round makes it so as well. */
  readonly isAtRisk: boolean
  /** Where the technique's rounds differ from the list; being at risk sets them aside. */
  readonly limits?: RoundLimits
  /** How far the list is looked at, minutes from its start; 72 h or more. */
  readonly horizonMin?: number
}

const dayMin = 1440

/**
 * The rounds of a case as they stand: due times from the start, begun again at the first line after an urgent round, each complete round
 * ticking off what was due up to then. The next is due at the earlier of the list's time and the last round's plus the interval of then:
 * doing one early stretches nothing.
 * @param done rounds in any order; incomplete ones leave the round due
 */
export function liveRounds(list: LiveList, done: readonly DoneRound[], protocol: Protocol): readonly LiveRound[] {
  const ordered = done.map((round) => ({ ...round, ms: Date.parse(round.at) })).sort((a, b) => a.ms - b.ms)
  const urgent = ordered.findLast((round) => round.isUrgent)
  const startedAt = urgent?.at ?? list.startedAt
  const start = Date.parse(startedAt)
  const isAtRisk = list.isAtRisk || urgent !== undefined
  const horizonMin = Math.max(3 * dayMin, list.horizonMin ?? 0)
  const minutes = limitRounds(roundMinutes(isAtRisk, startedAt, list.zone, horizonMin, protocol), isAtRisk ? undefined : list.limits)
  const complete = ordered.filter((round) => round.isComplete && round.ms > start)
  const rounds = minutes.map((minute, index): LiveRound & { readonly intervalMin: number } => {
    const intervalMin = minute - (minutes[index - 1] ?? 0)
    const dueAt = start + minute * 60_000
    const opens = dueAt - (intervalMin / 2) * 60_000
    const by = complete.find((round) => round.ms >= opens)
    return { id: `round-${index + 1}`, dueAt, graceMin: graceFor(intervalMin, isAtRisk, protocol), doneAt: by?.at ?? null, intervalMin }
  })
  const next = rounds.findIndex((round) => round.doneAt === null)
  const last = complete.at(-1)
  return rounds.map(({ intervalMin, ...round }, index) =>
    index === next && last ? { ...round, dueAt: Math.min(round.dueAt, last.ms + intervalMin * 60_000) } : round,
  )
}

/** The next round that is not done, or null when the list has run out. */
export function nextRound(rounds: readonly LiveRound[]): LiveRound | null {
  return rounds.find((round) => round.doneAt === null) ?? null
}
