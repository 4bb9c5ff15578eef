import { defaultProtocol } from '#core/quantities/defaults'
import { isCannotAssess } from '#core/model/observation'
import { liveRounds, type LiveRound } from '#core/rounds/live-rounds'
import { limitRounds, roundMinutes } from '#core/planner/schedule-rounds'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { findTechnique } from '#core/techniques/registry'
import type { Stage } from './board'
import { protocolOf, type CaseRecord } from '../records/case'
import { standCaseRounds, type JudgedRound } from './case-rounds'
import { toClinicalCase } from './clinical-case'
import type { EpisodeRecord } from '../records/episode'
import { countingRuns } from '../records/run-kind'
import { isPlaced } from './is-placed'
import { sideStateOf } from './side-state'
import { roundRestarts } from '../events/after-change'

/**
 * The rounds of an applied case as they stand, from the application or from the last opening; none before application.
 * @param nowMs the server's time
 */
export function caseRounds(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly LiveRound[] {
  const minute = Math.floor(nowMs / 60_000)
  const known = kept.get(record)
  if (known && known.episode === episode && known.minute === minute) return known.rounds
  const rounds = findRounds(record, episode, nowMs)
  kept.set(record, { episode, minute, rounds })
  return rounds
}

interface Kept {
  readonly episode: EpisodeRecord
  readonly minute: number
  readonly rounds: readonly LiveRound[]
}
/** Records do not change once they are folded: the last answer of each is kept for the minute. */
const kept = new WeakMap<CaseRecord, Kept>()

function findRounds(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly LiveRound[] {
  if (!record.appliedAt) return []
  const { judged } = standCaseRounds(record, episode, nowMs)
  const startedAt = roundsStartedAt(record, record.appliedAt)
  const since = Date.parse(startedAt)
  const after = judged.filter((one) => Date.parse(one.round.at) >= since && !one.round.isBaseline)
  const isBlind = after.some((one) => one.round.findings.limbs.some((limb) => Object.values(limb).some(isCannotAssess)))
  const technique = findTechnique(record.technique)
  const isAtRisk = isBlind || isCaseAtRisk(toClinicalCase(record, episode))
  // Never thinner than what was accepted, although its reason may be gone from the record by now.
  const planned = record.accepted?.plan.schedule.filter((entry) => entry.kind === 'round').length ?? 0
  const usual = limitRounds(
    roundMinutes(false, startedAt, episode.zone, 72 * 60, record.accepted?.protocol ?? defaultProtocol),
    technique?.rounds,
  )
  const isDense = planned > usual.length
  const done = after.map((one) => ({ at: one.round.at, isComplete: one.verdict.complete, isUrgent: one.verdict.level === 'urgent' }))
  const rounds = liveRounds(
    {
      startedAt,
      zone: episode.zone,
      isAtRisk: isAtRisk || isDense,
      // The list goes on per shift until the device is off.
      horizonMin: (nowMs - Date.parse(startedAt)) / 60_000 + aheadMin,
      ...(technique?.rounds ? { limits: technique.rounds } : {}),
    },
    done,
    protocolOf(record),
  )
  const again = reviewRound(after.at(-1))
  const extra = [
    ...(again ? [again] : []),
    ...looksAfterOpening(record, after).filter((one) => !rounds.some((each) => each.dueAt === one.dueAt)),
  ]
  const all = extra.length > 0 ? [...rounds, ...extra].sort((a, b) => a.dueAt - b.dueAt) : rounds
  const { ended } = record
  // Whoever has gone is owed no rounds here.
  return ended ? all.filter((one) => one.dueAt <= Date.parse(ended.at)) : all
}

const aheadMin = 36 * 60

/** Where the list of rounds begins: at the application, and again at the last opening, transfer or theatre. */
function roundsStartedAt(record: CaseRecord, appliedAt: string): string {
  const restarts = (record.changes ?? []).filter((one) => (roundRestarts as readonly string[]).includes(one.what)).map((one) => one.at)
  return [record.openedUpAt ?? appliedAt, ...restarts].reduce((latest, at) => (Date.parse(at) > Date.parse(latest) ? at : latest))
}

/** A review asks for another look within its minutes, whatever the list says. */
function reviewRound(last: JudgedRound | undefined): LiveRound | null {
  if (last?.verdict.level !== 'review' || last.verdict.againMin === null) return null
  return { id: 'again', dueAt: Date.parse(last.round.at) + last.verdict.againMin * 60_000, graceMin: 5, doneAt: null }
}

/** Minutes after which what was opened at once is looked at (TURNS 4). */
const openedLooksMin = [5, 15] as const
const openedLookGraceMin = 2

/** Looks owed after an opening at once; a complete round in the minutes round each of them is that look. */
function looksAfterOpening({ openedNowAt }: CaseRecord, after: readonly JudgedRound[]): readonly LiveRound[] {
  if (openedNowAt === undefined) return []
  const fromMs = Date.parse(openedNowAt)
  return openedLooksMin.map((minute, index) => {
    const [dueAt, beforeMin] = [fromMs + minute * 60_000, minute - (openedLooksMin[index - 1] ?? 0)]
    const opensMs = dueAt - (beforeMin / 2) * 60_000
    const by = after.find(({ round, verdict }) => verdict.complete && Date.parse(round.at) >= opensMs)
    return { id: `opened-${minute}`, dueAt, graceMin: openedLookGraceMin, doneAt: by?.round.at ?? null }
  })
}

/** Where on the path a case stands: the first stage that still needs doing. */
export function stageOf(record: CaseRecord, episode: EpisodeRecord): Stage {
  if (record.appliedAt) {
    const checked = record.fit.length > 0 || episode.rounds.some((round) => round.cases.includes(record.id) && !round.isBaseline)
    return checked ? 'watch' : 'check'
  }
  if (sideStateOf(record, episode) !== 'settled' || countingRuns(record).length > 0) return 'apply'
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
