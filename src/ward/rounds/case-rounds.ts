import { watchedOf, type RoundInput } from '#core/model/observation'
import { injuredLimb } from '#core/rounds/missing-items'
import { limbPart, type PartId } from '#core/rounds/look'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { minuteMs } from '#core/standing/judge-standing'
import { foldRounds, readRounds, type FoldedRounds } from '#core/standing/fold-rounds'
import type { Report, RoundsInput, FindingsAfterRounds, RoundVerdict, SeniorDecision, Told } from '#core/standing/standing-finding'
import { targetOf } from '#core/standing/trouble-target'
import { anyTroubles } from '#core/techniques/shared/any-troubles'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord, RoundRecord } from '#contract/records/episode'
import type { TroubleRecord } from '#contract/records/run'
import { callsOf } from './calls-of'
import { leftAsItIs } from './senior-words'
import { toClinicalCase } from '../case/clinical-case'
import { casesServed } from './related-cases'
import { isOnWrongLimb } from '../case/side-state'
import { onSinceMs, situationOfCase } from '../case/situation-of-case'

export interface JudgedRound {
  readonly round: RoundRecord
  readonly verdict: RoundVerdict
}

/** The rounds of a case with their verdicts, and what stands of them at a moment. */
export interface CaseRounds {
  /** In the order of time. */
  readonly judged: readonly JudgedRound[]
  readonly standing: FindingsAfterRounds
  readonly decisions: readonly SeniorDecision[]
}

/** The minute of an instant since the epoch: rounds of one minute count together. */
export function minuteOf(at: string): number {
  return Math.floor(Date.parse(at) / minuteMs)
}

const kept = new WeakMap<CaseRecord, { readonly episode: EpisodeRecord; readonly minute: number; readonly rounds: CaseRounds }>()

/**
 * The rounds that serve a case or the one that it replaced (and baselines, which serve all), judged together with what was reported, told and decided. Records do not
 * change once they are folded, so the last answer is kept for the minute.
 * @param nowMs the server's time: decisions that have run out no longer hold
 */
export function standCaseRounds(record: CaseRecord, episode: EpisodeRecord, nowMs: number): CaseRounds {
  const minute = Math.floor(nowMs / minuteMs)
  const known = kept.get(record)
  if (known && known.episode === episode && known.minute === minute) return known.rounds
  const rounds = judgeRecords(record, episode, minute)
  kept.set(record, { episode, minute, rounds })
  return rounds
}

function judgeRecords(record: CaseRecord, episode: EpisodeRecord, nowMin: number): CaseRounds {
  const clinicalCase = toClinicalCase(record, episode)
  const done = episode.rounds
    .filter((round) => round.outcome === 'done' && (round.isBaseline || casesServed(record).some((id) => round.cases.includes(id))))
    .sort((a, b) => minuteOf(a.at) - minuteOf(b.at))
  const decisions = (record.seniorDecisions ?? []).flatMap(leftAsItIs)
  const input: RoundsInput = {
    clinicalCase,
    rounds: done.map(inputOf),
    situationAt: (atMin) => situationOfCase(record, episode, atMin * minuteMs),
    startMin: minuteOf(record.appliedAt ?? record.openedAt),
    situationKey: `${record.technique} ${onSinceMs(record)} ${record.removedAt} ${isOnWrongLimb(record)}`,
    isAtRisk: isCaseAtRisk(clinicalCase),
    told: toldOf(record),
    decisions,
    reports: (record.troubles ?? []).flatMap((trouble) => reportOf(trouble, record, episode) ?? []),
  }
  const folded = foldRounds(input, foldedOf.get(record.id) ?? null)
  keepFolded(record.id, folded)
  const standing = readRounds(folded, nowMin)
  const judged = done.flatMap((round, index) => {
    const verdict = standing.verdicts[index]
    return verdict ? [{ round, verdict }] : []
  })
  return { judged, standing, decisions }
}

/** Who was told of what: a call tells of all that stands, a senior's answer of what they saw. */
function toldOf(record: CaseRecord): readonly Told[] {
  const called = callsOf(record).filter((call) => call.isReached)
  const answered = (record.seniorDecisions ?? []).map(({ at, by, saw }) => ({
    atMin: minuteOf(at),
    to: by,
    items: saw.map(({ id }) => id),
  }))
  return [...called.map((call) => ({ atMin: minuteOf(call.at), to: call.to })), ...answered]
}

/** Rounds of cases as they were folded last: one more event is folded onto them. The oldest goes when there are many. */
const foldedOf = new Map<string, FoldedRounds>()
const mostFolded = 500

function keepFolded(caseId: string, folded: FoldedRounds): void {
  foldedOf.delete(caseId)
  foldedOf.set(caseId, folded)
  if (foldedOf.size > mostFolded) foldedOf.delete(foldedOf.keys().next().value ?? '')
}

const inputs = new WeakMap<RoundRecord, RoundInput>()

/** A round as it is judged: the same object for the same record, so that what was folded is known again. */
function inputOf(round: RoundRecord): RoundInput {
  const known = inputs.get(round)
  if (known) return known
  const input = { ...round.findings, baseline: round.isBaseline, atMin: minuteOf(round.at) }
  inputs.set(round, input)
  return input
}

/** A trouble as a report about what a round looks at; null where it leaves nothing standing, or where a person has to end it. */
function reportOf(trouble: TroubleRecord, record: CaseRecord, episode: EpisodeRecord): Report | null {
  const known = troubleOf(trouble, record)
  const part = injuredPart(record, episode)
  const target = known && targetOf(known, part)
  if (!known || !target || known.level === 'none' || trouble.ended?.isSlip) return null
  const danger = known.danger ? { danger: known.danger } : {}
  return { atMin: minuteOf(trouble.at), ...target, level: known.level, code: `trouble-${known.id}`, text: trouble.label, ...danger }
}

/** The declaration of a trouble that was recorded. */
export function troubleOf(trouble: TroubleRecord, record: CaseRecord) {
  const techniques = [record.technique, ...record.runs.flatMap((run) => run.technique ?? [])]
  return [...techniques.flatMap((id) => findTechnique(id)?.troubles ?? []), ...anyTroubles].find((one) => one.id === trouble.troubleId)
}

/** What a case looks at first: the injured limb, or the block of its region. */
export function injuredPart(record: CaseRecord, episode: EpisodeRecord): PartId | null {
  const clinicalCase = toClinicalCase(record, episode)
  const limb = injuredLimb(clinicalCase)
  if (limb) return limbPart(limb.limb, limb.side)
  const watched = watchedOf(clinicalCase.injury.region)
  return watched === 'neck' || watched === 'spine' ? watched : null
}
