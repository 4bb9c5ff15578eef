import type { Level } from '../model/finding'
import type { Protocol } from '../quantities/defaults'
import { liveRounds, type LiveList, type LiveRound } from './live-rounds'

/** A round that was done and judged. */
export interface JudgedLook {
  /** ISO 8601. */
  readonly at: string
  readonly isComplete: boolean
  readonly level: Level
  /** Minutes after which it asks for another look; null where it does not. */
  readonly againMin: number | null
  /** Something of it could not be assessed. */
  readonly isBlind: boolean
}

export interface ListInUse extends LiveList {
  /** ISO 8601: when it was last opened at once, for what pressed; absent for never. */
  readonly openedNowAt?: string
}

/** Minutes after which what was opened at once is looked at. */
const openedLooksMin = [5, 15] as const
const openedLookGraceMin = 2
const againGraceMin = 5

/**
 * The rounds of what is on as they stand: the list from its start, at risk also where something could not be assessed, with the look that
 * a review asks for and the looks after an opening at once. Ward and drill read this one list.
 * @param judged in the order of time, the baseline left out; what was before the start does not count
 * @returns by the time at which they are due
 */
export function roundsToDo(list: ListInUse, judged: readonly JudgedLook[], protocol: Protocol): readonly LiveRound[] {
  const since = Date.parse(list.startedAt)
  const after = judged.filter((look) => Date.parse(look.at) >= since)
  const rounds = liveRounds(
    { ...list, isAtRisk: list.isAtRisk || after.some((look) => look.isBlind) },
    after.map(({ at, isComplete, level }) => ({ at, isComplete, isUrgent: level === 'urgent' })),
    protocol,
  )
  const again = reviewRound(after.at(-1))
  const extra = [
    ...(again ? [again] : []),
    ...looksAfterOpening(list.openedNowAt, after).filter((look) => !rounds.some((each) => each.dueAt === look.dueAt)),
  ]
  return extra.length > 0 ? [...rounds, ...extra].sort((a, b) => a.dueAt - b.dueAt) : rounds
}

/** A review asks for another look within its minutes, whatever the list says. */
function reviewRound(last: JudgedLook | undefined): LiveRound | null {
  if (last?.level !== 'review' || last.againMin === null) return null
  return { id: 'again', dueAt: Date.parse(last.at) + last.againMin * 60_000, graceMin: againGraceMin, doneAt: null }
}

/** Looks owed after an opening at once; a complete round in the minutes round each of them is that look. */
function looksAfterOpening(openedNowAt: string | undefined, after: readonly JudgedLook[]): readonly LiveRound[] {
  if (openedNowAt === undefined) return []
  const fromMs = Date.parse(openedNowAt)
  return openedLooksMin.map((minute, index) => {
    const [dueAt, beforeMin] = [fromMs + minute * 60_000, minute - (openedLooksMin[index - 1] ?? 0)]
    const opensMs = dueAt - (beforeMin / 2) * 60_000
    const by = after.find((look) => look.isComplete && Date.parse(look.at) >= opensMs)
    return { id: `opened-${minute}`, dueAt, graceMin: openedLookGraceMin, doneAt: by?.at ?? null }
  })
}
