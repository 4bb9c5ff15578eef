import type { ClinicalCase } from '../model/clinical-case'
import { isOfPatient, type AskedFlag } from '../model/flag-words'
import { limits } from '../model/limits'
import type { Caution, Plan, ScheduleEntry } from '../model/plan'
import { createMemo, type PlanContext } from '../model/plan-context'
import { otherSide, swellings, type InjuryFlag, type PatientFlag } from '../model/vocabulary'
import { cautionsBrought, comparePlans } from '../planner/compare-plans'
import { planCase } from './plan-case'
import { rankPositions } from './rank-positions'
import { rankBySuit, type SuitedTechnique } from './rank-techniques'
import { findTechnique } from './registry'

/** Something that Size up can still ask. */
export type Question = AskedFlag | 'swelling' | 'level' | 'position' | 'age' | 'height' | 'mass' | `reading:${string}`

/** What an answer would do at its worst, worst first; figures alone are nothing. */
export const consequences = ['stop', 'device', 'caution', 'steps', 'rounds', 'note', 'other-devices', 'nothing'] as const
export type Consequence = (typeof consequences)[number]

export interface WhatIf {
  readonly question: Question
  readonly consequence: Consequence
  /** What would come of the answer, in words; empty where nothing would. */
  readonly how: string
}

const ages = [2, 10, 40, 85] as const
const heightsCm = [80, 120, 170, 200] as const
const massesKg = [10, 25, 70, 130] as const
const levelShares = [0.02, 0.1, 0.25, 0.5, 0.75] as const
/** Raised where an answer that is tried does not fit what was read: that is no answer. */
const slip = 'check-reading'
/** Of the figure that would be expected: what a tape may well read. */
const readingShares = [0.75, 1, 1.3] as const
const usualHeightCm = 170
const usualGirthCm = 32
const usualLengthCm = 30

/**
 * What the answer to each open question could change in the plan in hand and in the ranking of devices, worst first (no figures: steps,
 * cautions and rounds). Every question is answered by itself, in each way it can be; decisions that take long are left out, for they are figures.
 * @param clinicalCase as it is known
 * @param questions those that nobody has answered yet
 * @returns one for each question; of equal weight in the order in which they were given
 */
export function whatIf(clinicalCase: ClinicalCase, ctx: PlanContext, questions: readonly Question[]): readonly WhatIf[] {
  const bare = { ...ctx, memo: createMemo() }
  const before = lookAt(clinicalCase, bare)
  if (!before) return questions.map((question) => ({ question, consequence: 'nothing', how: '' }))
  return questions
    .map((question): WhatIf => {
      const answers = answersTo(question, clinicalCase, before.plan)
      const changes = answers.flatMap((answer) => {
        const after = lookAt(answer, bare)
        return after ? [changeOf(before, after)] : []
      })
      const [worst] = changes.sort(byWeight)
      return { question, consequence: worst?.consequence ?? 'nothing', how: worst?.how ?? '' }
    })
    .sort(byWeight)
}

type Change = Omit<WhatIf, 'question'>

function byWeight(a: Change, b: Change): number {
  return consequences.indexOf(a.consequence) - consequences.indexOf(b.consequence)
}

interface Look {
  readonly plan: Plan
  /** The devices for it, best first; worked out when they are asked for. */
  readonly ranking: () => readonly SuitedTechnique[]
}

/** The plan of a case, and the devices for it. */
function lookAt(clinicalCase: ClinicalCase, ctx: PlanContext): Look | null {
  const plan = planCase(clinicalCase, ctx)
  let ranked: readonly SuitedTechnique[] | null = null
  return plan && { plan, ranking: () => (ranked ??= rankBySuit(clinicalCase, ctx)) }
}

/** What differs between two looks at its worst. */
function changeOf(before: Look, after: Look): Change {
  const brought = cautionsBrought(before.plan.cautions, after.plan.cautions).filter((one) => one.code !== slip)
  const stop = brought.find((one) => one.level === 'stop')
  if (stop) return { consequence: 'stop', how: stop.text }
  const [wasBest, best] = [before.ranking()[0], after.ranking()[0]]
  if (best && wasBest && best.technique.id !== wasBest.technique.id)
    return { consequence: 'device', how: `${best.technique.name} suits better then.` }
  const caution = brought.find((one) => one.level === 'caution')
  if (caution) return { consequence: 'caution', how: caution.text }
  const { stepsNew, stepsGone, stepsMoved, stepsReworded } = comparePlans(
    before.plan,
    after.plan,
    findTechnique(before.plan.technique)?.decisions,
  )
  const step = stepsNew[0] ?? stepsReworded[0]?.after ?? stepsGone[0] ?? stepsMoved[0]
  if (step !== undefined)
    return { consequence: 'steps', how: stepWords(stepsNew.length > 0, stepsReworded.length > 0, stepsGone.length > 0, step) }
  const rounds = roundsChange(before.plan.schedule, after.plan.schedule)
  if (rounds !== null) return { consequence: 'rounds', how: rounds }
  const note = brought.find((one) => one.level === 'note')
  if (note) return { consequence: 'note', how: note.text }
  return otherDevices(before, after)
}

function stepWords(isNew: boolean, isReworded: boolean, isGone: boolean, step: string): string {
  if (isNew || isReworded) return step
  return isGone ? `Left out then: ${step}` : `In another order: ${step}`
}

/** Work that is owed at another time, or more or less of it: the soonest that differs, in words. */
function roundsChange(before: readonly ScheduleEntry[], after: readonly ScheduleEntry[]): string | null {
  const key = ({ kind, dueMin, text }: ScheduleEntry): string => `${kind} ${dueMin} ${text}`
  const [had, has] = [new Set(before.map(key)), new Set(after.map(key))]
  const came = after.filter((entry) => !had.has(key(entry)))
  const gone = before.filter((entry) => !has.has(key(entry)))
  if (came.length === 0 && gone.length === 0) return null
  const roundsOf = (list: readonly ScheduleEntry[]): number => list.filter((entry) => entry.kind === 'round').length
  const [was, is] = [roundsOf(before), roundsOf(after)]
  if (is !== was) return `${is > was ? 'More' : 'Fewer'} rounds: ${is} in place of ${was}.`
  const first = [...came].sort((a, b) => a.dueMin - b.dueMin)[0]
  return first ? `${first.text.replace(/\.$/, '')} ${whenWords(first.dueMin)}.` : `No longer owed: ${gone[0]?.text ?? ''}`
}

function whenWords(dueMin: number): string {
  if (dueMin < 120) return `after ${dueMin} min`
  const hours = Math.round(dueMin / 60)
  return hours < 48 ? `after ${hours} h` : `after ${Math.round(hours / 24)} days`
}

/** A device that would be stopped, or come into question, beside the one in hand. */
function otherDevices(before: Look, after: Look): Change {
  for (const { technique, verdict, reasons } of after.ranking()) {
    const was = before.ranking().find((one) => one.technique.id === technique.id)
    if (!was || was.verdict === verdict || was.verdict === 'stop') continue
    const why = newReason(was.reasons, reasons)
    return { consequence: 'other-devices', how: why ? `${technique.name}: ${why.text}` : `${technique.name} comes into question.` }
  }
  return { consequence: 'nothing', how: '' }
}

function newReason(before: readonly Caution[], after: readonly Caution[]): Caution | undefined {
  return after.find((caution) => !before.some((each) => each.code === caution.code))
}

/** The case with each answer that a question can have. */
function answersTo(question: Question, from: ClinicalCase, plan: Plan): readonly ClinicalCase[] {
  const { patient, injury } = from
  if (question === 'swelling')
    return swellings.filter((swelling) => swelling !== injury.swelling).map((swelling) => ({ ...from, injury: { ...injury, swelling } }))
  if (question === 'level') return levels(from, plan).map((levelCm) => ({ ...from, injury: { ...injury, levelCm } }))
  if (question === 'position')
    return rankPositions(from, from.crew.people)
      .filter((position) => position.refused === null && position.id !== plan.options['position'])
      .map((position) => ({ ...from, options: { ...from.options, position: position.id } }))
  if (question === 'age') return ages.map((ageYears) => ({ ...from, patient: { ...patient, ageYears } }))
  if (question === 'height') return heightsCm.map((heightCm) => ({ ...from, patient: { ...patient, heightCm } }))
  if (question === 'mass') return massesKg.map((massKg) => ({ ...from, patient: { ...patient, massKg } }))
  if (question.startsWith('reading:')) return readings(question.slice('reading:'.length), from, plan)
  return isOfPatient(question as AskedFlag)
    ? [{ ...from, patient: { ...patient, flags: [...patient.flags, question as PatientFlag] } }]
    : [{ ...from, injury: { ...injury, flags: [...injury.flags, question as InjuryFlag] } }]
}

function levels({ injury }: ClinicalCase, plan: Plan): readonly number[] {
  const axis = plan.geometry.axes.find((one) => one.id === 'leg' || one.id === 'arm')
  if (!axis || injury.region === undefined) return []
  return levelShares.map((share) => Math.min(limits.levelCm.greatest, Math.round(share * axis.lengthCm)))
}

/** A reading as it may well come out, on the side that counts. */
function readings(id: string, from: ClinicalCase, plan: Plan): readonly ClinicalCase[] {
  const asked = findTechnique(from.technique)
    ?.measurements(from, plan.options)
    .find((measurement) => measurement.definition.id === id)
  if (!asked) return []
  const { kind, statureShare, words, sideRule, takenFor } = asked.definition
  const { side } = from.injury
  const isOnInjured = sideRule === 'wearing' || sideRule === 'swollen'
  const on = sideRule === 'none' || side === undefined ? undefined : isOnInjured ? side : otherSide(side)
  const bare = { id, tool: 'tape' as const, ...(on ? { side: on } : {}), ...(takenFor === undefined ? {} : { takenFor }) }
  const expectedCm =
    statureShare === null ? (kind === 'girth' ? usualGirthCm : usualLengthCm) : statureShare * (from.patient.heightCm ?? usualHeightCm)
  const taken =
    kind === 'words'
      ? (words ?? []).map((value) => ({ id, value, ...(on ? { side: on } : {}) }))
      : readingShares.map((share) => ({ ...bare, value: Math.round(share * expectedCm * 10) / 10, unit: 'cm' as const }))
  return taken.map((one) => ({ ...from, measurements: [...from.measurements, one] }))
}
