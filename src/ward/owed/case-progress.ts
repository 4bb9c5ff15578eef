import { defaultProtocol } from '#core/quantities/defaults'
import { hasBlindSpot } from '#core/model/observation'
import type { LiveRound } from '#core/rounds/live-rounds'
import { roundsToDo } from '#core/rounds/rounds-to-do'
import { limitRounds, roundMinutes } from '#core/planner/schedule-rounds'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { findTechnique } from '#core/techniques/registry'
import type { Stage } from '#contract/api/board'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { standCaseRounds } from '../rounds/case-rounds'
import { toClinicalCase } from '../case/clinical-case'
import type { EpisodeRecord } from '#contract/records/episode'
import { countingRuns } from '#contract/records/run-kind'
import { isPlaced } from '../case/is-placed'
import { sideStateOf } from '../case/side-state'
import { roundRestarts } from '#contract/events/applying/after-change'

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
  const technique = findTechnique(record.technique)
  // Never thinner than what was accepted, although its reason may be gone from the record by now.
  const planned = record.accepted?.plan.schedule.filter((entry) => entry.kind === 'round').length ?? 0
  const usual = limitRounds(
    roundMinutes(false, startedAt, episode.zone, 72 * 60, record.accepted?.protocol ?? defaultProtocol),
    technique?.rounds,
  )
  const isDense = planned > usual.length
  const looks = judged
    .filter((round) => !round.round.isBaseline)
    .map(({ round, verdict }) => ({
      at: round.at,
      isComplete: verdict.complete,
      level: verdict.level,
      // Worked out only where it is asked for.
      get againMin() {
        return verdict.againMin
      },
      isBlind: hasBlindSpot(round.findings.limbs),
    }))
  const all = roundsToDo(
    {
      startedAt,
      zone: episode.zone,
      isAtRisk: isDense || isCaseAtRisk(toClinicalCase(record, episode)),
      // The list goes on per shift until the device is off.
      horizonMin: (nowMs - Date.parse(startedAt)) / 60_000 + aheadMin,
      ...(technique?.rounds ? { limits: technique.rounds } : {}),
      ...(record.openedNowAt === undefined ? {} : { openedNowAt: record.openedNowAt }),
    },
    looks,
    protocolOf(record),
  )
  const { ended } = record
  // Whoever has gone is owed no rounds here.
  return ended ? all.filter((round) => round.dueAt <= Date.parse(ended.at)) : all
}

const aheadMin = 36 * 60

/** Where the list of rounds begins: at the application, and again at the last opening, transfer or theatre. */
function roundsStartedAt(record: CaseRecord, appliedAt: string): string {
  const restarts = (record.changes ?? [])
    .filter((change) => (roundRestarts as readonly string[]).includes(change.what))
    .map((change) => change.at)
  return [record.openedUpAt ?? appliedAt, ...restarts].reduce((latest, at) => (Date.parse(at) > Date.parse(latest) ? at : latest))
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
  const has = (id: string): boolean => record.measurements.some((measurement) => measurement.id === id)
  return asked.every((measurement) => measurement.need === 'optional' || has(measurement.definition.id))
}
