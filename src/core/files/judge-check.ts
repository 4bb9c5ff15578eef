import type { Level } from '../model/finding'
import { heldBy, isCaseAtRisk, situationOf, usualPeople } from '../standing/case-facts'
import { findingsAfterRounds } from '../standing/fold-rounds'
import type { RefusedDecision, RoundVerdict, FindingsAfterRounds, StandingFinding } from '../standing/standing-finding'
import type { ClinicalCase } from '../model/clinical-case'
import type { Situation } from '../standing/what-now'
import type { Problem } from '../model/problem'
import type { FileDecision, ReadCheck } from './read-check'

/** One item as it stands after a round, as a verdict file says it. */
export interface PrintedStanding {
  readonly id: string
  readonly level: Level
  /** `open`, `review`, `unknown`, or `settled until` a minute. */
  readonly state: string
  readonly part: string
  readonly item: string
  /** Minutes from application, as atMin. */
  readonly since: number
}

/** A verdict with what stands as a verdict file says it. */
export interface PrintedRound extends Omit<RoundVerdict, 'standing'> {
  readonly standing: readonly PrintedStanding[]
}

/** In a check file the case's technique is on throughout, the baseline included, and the patient lies. */
export function situationOfCheck(clinicalCase: ClinicalCase, isOn: boolean): Situation {
  const people = clinicalCase.crew.people ?? usualPeople
  return situationOf(clinicalCase, { isOn, people, posture: 'lying', isWarm: false, pullKg: null })
}

/**
 * Judges a check file that was read: what each round found, and what stands after it.
 * @returns null when there is no case, or its technique is not known
 */
export function judgeCheck({ clinicalCase, rounds, told, decisions, isOn }: ReadCheck): readonly PrintedRound[] | null {
  return standOfCheck({ clinicalCase, rounds, told, decisions, isOn })?.verdicts.map(printRound) ?? null
}

/** What has to be put right in a check file: its faults, and the decisions that have no effect on what was found. */
export function problemsOfCheck(read: ReadCheck): readonly Problem[] {
  const refused = standOfCheck(read)?.refused ?? []
  return [...read.problems, ...refused.map(({ decision, why }) => refusal(decision as FileDecision, why))]
}

function refusal({ place, part, item }: FileDecision, why: RefusedDecision['why']): Problem {
  const message =
    why === 'not-urgent'
      ? `${part}/${item} was not urgent then: the decision has no effect. Name what was found, and when.`
      : `${part}/${item} is left as it is only at the bedside: the decision has no effect. Add "atBedside": true where it was.`
  return { code: 'out-of-range', path: `seniorDecisions/${place}`, message }
}

type Judged = Pick<ReadCheck, 'clinicalCase' | 'rounds' | 'told' | 'decisions' | 'isOn'>

function standOfCheck({ clinicalCase, rounds, told, decisions, isOn }: Judged): FindingsAfterRounds | null {
  if (!clinicalCase || !heldBy(clinicalCase.technique)) return null
  const situation = situationOfCheck(clinicalCase, isOn)
  const input = {
    clinicalCase,
    rounds,
    situationAt: () => situation,
    startMin: 0,
    isAtRisk: isCaseAtRisk(clinicalCase),
    told,
    decisions,
  }
  return findingsAfterRounds(input, Infinity)
}

function printRound({ atMin, level, complete, findings, actions, againMin, missing, standing }: RoundVerdict): PrintedRound {
  return { atMin, level, complete, findings, actions, againMin, missing, standing: standing.map(printStanding) }
}

function printStanding({ id, level, state, settledUntilMin, part, item, sinceMin }: StandingFinding): PrintedStanding {
  return { id, level, state: settledUntilMin === null ? state : `settled until ${settledUntilMin}`, part, item, since: sinceMin }
}
