import type { SeenSitting } from '#contract/api/practice-overview'
import type { Sitting } from '#contract/records/practice'
import { hasRight, type Role } from '#contract/rights'
import { runOf } from '#core/practice/stations/marks'

interface Asker {
  readonly id: string
  readonly roles: readonly Role[]
}

/** Whether somebody may see a sitting at all: it is their own; they may examine it; or they train people. */
export function maySee({ way, candidates }: Pick<Sitting, 'way' | 'candidates'>, { id, roles }: Asker): boolean {
  if (candidates.some((candidate) => candidate.id === id) || hasRight(roles, 'train')) return true
  return way !== 'alone' && hasRight(roles, 'decide')
}

/** So long after nothing of its time is left, whoever has not ended it will not: their tablet is gone. */
const goneMs = 3_600_000
/** Of the time limit: then time is worth nothing. */
const latestShare = 1.5

/** Whether nobody marks it any more, ended or not: what arrived by then is what there is. */
export function isAbandoned({ begunAt, station }: Pick<Sitting, 'begunAt' | 'station'>, nowMs: number): boolean {
  return nowMs > Date.parse(begunAt) + latestShare * station.limitS * 1000 + goneMs
}

/** Whether it is over: everybody who marks it has ended it, or those who have not are gone. */
export function isOver(sitting: Pick<Sitting, 'examiners' | 'begunAt' | 'station'>, nowMs: number): boolean {
  const { examiners } = sitting
  if (examiners.length === 0) return false
  return isAbandoned(sitting, nowMs) || examiners.every((examiner) => runOf(examiner.marks).endedMs !== null)
}

/**
 * What somebody sees of a sitting. While it runs, a candidate sees no mark, and an examiner only their own, so that two of them judge apart;
 * once it is over everything is shown.
 */
export function seenBy(sitting: Sitting, asker: Asker, nowMs: number): SeenSitting {
  const isEnded = isOver(sitting, nowMs)
  const isCandidate = sitting.candidates.some((candidate) => candidate.id === asker.id)
  const shown = isEnded ? sitting.examiners : sitting.examiners.filter((examiner) => examiner.id === asker.id)
  return {
    sitting: { ...sitting, examiners: shown },
    isEnded,
    isCandidate,
    told: [...new Set(sitting.examiners.flatMap((examiner) => runOf(examiner.marks).told))],
  }
}
