import type { Protocol } from '#core/quantities/defaults'
import { judgeRounds, type DeviceKind, type RoundVerdict } from '#core/rounds/judge-rounds'
import { isCannotAssess, type RoundInput } from '#core/model/observation'
import { liveRounds, type LiveRound } from '#core/rounds/live-rounds'
import { atRiskReason } from '#core/planner/schedule-rounds'
import { findTechnique } from '#core/techniques/registry'
import type { Stage } from './board'
import type { CaseRecord } from '../records/case'
import { toClinicalCase } from './clinical-case'
import type { EpisodeRecord, RoundRecord } from '../records/episode'
import { isPlaced } from './is-placed'

export interface JudgedRound {
  readonly round: RoundRecord
  readonly verdict: RoundVerdict
}

/** The rounds that serve a case (and baselines, which serve all), each with its verdict. */
export function judgeCaseRounds(record: CaseRecord, episode: EpisodeRecord, device: DeviceKind): readonly JudgedRound[] {
  const done = episode.rounds.filter((round) => round.outcome === 'done' && (round.isBaseline || round.cases.includes(record.id)))
  const start = Date.parse(record.appliedAt ?? record.openedAt)
  const inputs = done.map((round): RoundInput => ({
    ...round.findings,
    baseline: round.isBaseline,
    atMin: Math.round((Date.parse(round.at) - start) / 60_000),
  }))
  const verdicts = judgeRounds(toClinicalCase(record, episode), inputs, device)
  return done.flatMap((round, index) => {
    const verdict = verdicts[index]
    return verdict ? [{ round, verdict }] : []
  })
}

/** The rounds of an applied case as they stand, from the application or from the last opening; none before application. */
export function caseRounds(
  record: CaseRecord,
  episode: EpisodeRecord,
  judged: readonly JudgedRound[],
  protocol: Protocol,
): readonly LiveRound[] {
  if (!record.appliedAt) return []
  const startedAt = record.openedUpAt ?? record.appliedAt
  const since = Date.parse(startedAt)
  const after = judged.filter((one) => Date.parse(one.round.at) >= since && !one.round.isBaseline)
  const isBlind = after.some((one) => one.round.findings.limbs.some((limb) => Object.values(limb).some(isCannotAssess)))
  const clinicalCase = toClinicalCase(record, episode)
  const technique = findTechnique(record.technique)
  const isAtRisk = isBlind || atRiskReason(clinicalCase) !== null || technique?.isAtRisk?.(clinicalCase) === true
  const done = after.map((one) => ({ at: one.round.at, isComplete: one.verdict.complete, isUrgent: one.verdict.level === 'urgent' }))
  const rounds = liveRounds(startedAt, episode.zone, isAtRisk, done, protocol, technique?.rounds)
  const extra = reviewRound(after.at(-1))
  return extra ? [...rounds, extra].sort((a, b) => a.dueAt - b.dueAt) : rounds
}

/** A review asks for another look within its minutes, whatever the list says. */
function reviewRound(last: JudgedRound | undefined): LiveRound | null {
  if (last?.verdict.level !== 'review' || last.verdict.againMin === null) return null
  return { id: 'again', dueAt: Date.parse(last.round.at) + last.verdict.againMin * 60_000, graceMin: 5, doneAt: null }
}

/** Where on the path a case stands: the first stage that still needs doing. */
export function stageOf(record: CaseRecord, episode: EpisodeRecord): Stage {
  if (record.appliedAt) {
    const checked = record.fit.length > 0 || episode.rounds.some((round) => round.cases.includes(record.id) && !round.isBaseline)
    return checked ? 'watch' : 'check'
  }
  if (record.runs.length > 0) return 'apply'
  if (record.accepted) return 'make-ready'
  const injury = episode.injuries[record.injuryId]
  if (injury && isPlaced(injury) && isMeasured(record, episode)) return 'choose'
  if (record.measurements.length > 0) return 'measure'
  return injury && isPlaced(injury) ? 'measure' : 'size-up'
}

/** Whether every place that is asked for, optional ones aside, has been read. */
function isMeasured(record: CaseRecord, episode: EpisodeRecord): boolean {
  const technique = findTechnique(record.technique)
  if (!technique) return false
  const asked = technique.measurements(toClinicalCase(record, episode), record.options)
  const has = (id: string): boolean => record.measurements.some((one) => one.id === id)
  return asked.every((one) => one.need === 'optional' || has(one.definition.id))
}
