import { hasBlindSpot, type RoundInput } from '../../model/observation'
import type { CallEntry, ResponseEntry, Signed } from '../../model/response'
import type { Standing } from '../../model/standing'
import type { Protocol } from '../../quantities/defaults'
import type { LiveRound } from '../../rounds/live-rounds'
import { roundsToDo } from '../../rounds/rounds-to-do'
import { isCaseAtRisk, situationOf } from '../../standing/case-facts'
import { judgeStanding } from '../../standing/judge-standing'
import type { Situation } from '../../standing/what-now'
import { findingsAfterRounds } from '../../standing/fold-rounds'
import type { FindingsAfterRounds } from '../../standing/standing-finding'
import type { HiddenBody } from './draw-body'
import type { Night } from './nights'

/** What is on record of a bed, minutes from the start of the night. */
export interface BedRecord {
  /** As they were entered, by time. */
  readonly rounds: readonly RoundInput[]
  readonly responses: readonly (ResponseEntry & { readonly atMin: number })[]
  readonly calls: readonly (CallEntry & { readonly atMin: number })[]
  /** Work of its schedule that was done, beside rounds. */
  readonly checks: readonly { readonly taskId: string; readonly atMin: number }[]
  /** When it was last opened or eased: the list begins again. */
  readonly openedAtMin: number | null
}

const by = 'the player'

/** A moment of the night, ms since the epoch. */
export function msOf(night: Night, atMin: number): number {
  return Date.parse(night.beginsAt) + atMin * 60_000
}

const minuteOf = (night: Night, atMin: number): number => Math.floor(msOf(night, atMin) / 60_000)

/** A record does not change once it is made; with no senior's decision in it nothing that stands ends by the clock. */
const stood = new WeakMap<BedRecord, FindingsAfterRounds>()
const listed = new WeakMap<BedRecord, readonly LiveRound[]>()

/** What rounds found of a bed and what of it stands: the judgement of life over what was entered here. */
export function standBed(night: Night, body: HiddenBody, record: BedRecord): FindingsAfterRounds {
  const known = stood.get(record)
  if (known) return known
  const standing = findingsAfterRounds(
    {
      clinicalCase: body.clinicalCase,
      rounds: record.rounds.map((round) => ({ ...round, atMin: minuteOf(night, round.atMin) })),
      situationAt: () => situationOfBed(body),
      startMin: minuteOf(night, body.onAtMin),
      isAtRisk: isCaseAtRisk(body.clinicalCase),
    },
    minuteOf(night, record.rounds.at(-1)?.atMin ?? body.onAtMin),
  )
  stood.set(record, standing)
  return standing
}

/** It is on and hard, and one nurse is there. */
function situationOfBed(body: HiddenBody): Situation {
  return situationOf(body.clinicalCase, { isOn: true, people: 1, posture: 'lying', isWarm: false, pullKg: null })
}

/** What stands about a bed, as a case's does. */
export function judgeBed(night: Night, body: HiddenBody, record: BedRecord): Standing {
  const signed = <T extends { readonly atMin: number }>(one: T): T & Signed => ({ ...one, atMs: msOf(night, one.atMin), by })
  const last = record.rounds.at(-1)
  return judgeStanding({
    situation: situationOfBed(body),
    ownWay: body.technique.onUrgent.actions,
    onAtMs: msOf(night, body.onAtMin),
    removedAtMs: null,
    rounds: standBed(night, body, record),
    lookedAtMs: last ? msOf(night, last.atMin) : null,
    plan: { inForce: [], waiting: [], sinceMs: msOf(night, body.onAtMin), steps: [], doneSteps: [] },
    others: [],
    responses: record.responses.map(signed),
    calls: record.calls.map(signed),
    words: [],
    decisions: [],
  })
}

/** The rounds of a bed as they stand, by the list that the ward goes by. */
export function roundsOf(night: Night, body: HiddenBody, record: BedRecord, protocol: Protocol): readonly LiveRound[] {
  const known = listed.get(record)
  if (known) return known
  const { verdicts } = standBed(night, body, record)
  const startedMin = record.openedAtMin ?? body.onAtMin
  const openedNowAt = record.openedAtMin === null ? null : new Date(msOf(night, record.openedAtMin)).toISOString()
  const rounds = roundsToDo(
    {
      startedAt: new Date(msOf(night, startedMin)).toISOString(),
      zone: 'UTC',
      isAtRisk: isCaseAtRisk(body.clinicalCase),
      ...(body.technique.rounds ? { limits: body.technique.rounds } : {}),
      ...(openedNowAt ? { openedNowAt } : {}),
    },
    verdicts.flatMap((verdict, index) => {
      const round = record.rounds[index]
      if (!round || round.baseline) return []
      return {
        at: new Date(verdict.atMin * 60_000).toISOString(),
        isComplete: verdict.complete,
        level: verdict.level,
        againMin: verdict.againMin,
        isBlind: hasBlindSpot(round.limbs),
      }
    }),
    protocol,
  )
  listed.set(record, rounds)
  return rounds
}
