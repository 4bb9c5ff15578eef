import type { ClinicalCase, Measurement } from '../../model/clinical-case'
import { hasFlag } from '../../model/clinical-case'
import type { Problem } from '../../model/problem'
import { bodyRegionOf, type Side } from '../../model/vocabulary'
import type { Caution } from '../../model/plan'
import { instantOf } from '../../quantities/instant'
import { readDefaults, type Protocol } from '../../quantities/defaults'
import { poolReadings, readingsAgree } from '../../quantities/pool-readings'
import { readingError, repeatError } from '../../quantities/reading-error'
import { toCm } from '../../quantities/length'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { splitOccasions } from './occasions'
import { judgeReading, plausibilityDefaults } from './plausibility'

/** One figure for one measurement, ready to compute with. */
export interface Estimate {
  readonly id: string
  readonly label: string
  /** cm, or degrees for an angle. */
  readonly value: number
  readonly sd: number
  readonly count: number
  readonly side?: Side
  /** When the latest of its readings was taken. */
  readonly at?: string
  /** Breadth of a finger of whoever read it in fingers, cm; absent where it is not known or any reading was taken otherwise. */
  readonly fingerCm?: number
}

export interface Resolved {
  readonly estimate: Estimate | null
  readonly problems: readonly Problem[]
  readonly cautions: readonly Caution[]
}

function byEye({ tool }: Measurement): boolean {
  return tool === 'eye'
}

/** The readings that count: not superseded, not taken for another landmark, of the latest occasion only, and by eye only until one is measured. */
export function currentReadings(
  all: readonly Measurement[],
  { id, takenFor }: Pick<MeasurementDefinition, 'id' | 'takenFor'>,
): readonly Measurement[] {
  const isFor = (reading: Measurement): boolean => reading.takenFor === undefined || takenFor === undefined || reading.takenFor === takenFor
  const live = (standingById(all).get(id) ?? []).filter(isFor)
  if (live.length === 0) return live
  return ['', 'left', 'right'].flatMap((side) => {
    const own = live.filter((reading) => (reading.side ?? '') === side)
    if (own.length === 0) return own
    const isMeasured = own.some(({ tool }) => tool !== 'eye')
    return splitOccasions(isMeasured && own.some(byEye) ? own.filter((reading) => !byEye(reading)) : own).at(-1) ?? []
  })
}

const nothingRead: Resolved = { estimate: null, problems: [], cautions: [] }

const sorted = new WeakMap<readonly Measurement[], ReadonlyMap<string, readonly Measurement[]>>()

/** The readings that none supersedes, by id; sorted once for each list, since a plan asks for one id after another. */
function standingById(all: readonly Measurement[]): ReadonlyMap<string, readonly Measurement[]> {
  const known = sorted.get(all)
  if (known) return known
  const superseded = new Set(all.flatMap((reading) => (reading.supersedes ? [reading.supersedes] : [])))
  const byId = new Map<string, Measurement[]>()
  for (const one of all) {
    if (one.key && superseded.has(one.key)) continue
    const same = byId.get(one.id)
    if (same) same.push(one)
    else byId.set(one.id, [one])
  }
  sorted.set(all, byId)
  return byId
}

/**
 * One estimate from the readings of one side: unit, plausibility, then pooling.
 * @param readings of this measurement and side, of one occasion
 * @param side undefined where the body has one of it
 */
export function poolSide(
  clinicalCase: ClinicalCase,
  definition: MeasurementDefinition,
  readings: readonly Measurement[],
  side: Side | undefined,
  protocol: Protocol,
): Resolved {
  if (readings.length === 0) return nothingRead
  const problems: Problem[] = []
  const cautions: Caution[] = []
  const stature = statureThatCounts(clinicalCase)
  const { leastCm } = readDefaults(plausibilityDefaults, protocol)
  const figures = (definition.moves || definition.kind === 'angle' ? latestOf(readings) : readings)
    .filter((reading) => typeof reading.value === 'number' && hasRightUnit(definition, reading, problems))
    .map((reading) => {
      const value = toCm(Number(reading.value), reading.unit ?? (definition.kind === 'angle' ? 'deg' : 'cm'), reading.breadthCm)
      const error = readingError(reading, definition.kind, value, protocol)
      return { reading, value, error, repeat: repeatError(reading, error) }
    })
  const usable = figures.filter((one) => {
    const judged = judgeReading(definition, one.value, stature, protocol)
    if (judged.verdict === 'expected') return true
    const seconded =
      one.value >= leastCm &&
      one.reading.confirmed === true &&
      figures.some((other) => other !== one && readingsAgree(other.value, one.value, Math.max(one.repeat, other.repeat)))
    const figure = `${definition.label} ${one.value.toFixed(1)} cm`
    if (judged.verdict === 'asks' || seconded) {
      cautions.push(checkReading(definition, figure, judged.because, judged.verdict === 'refused'))
      return true
    }
    problems.push({
      code: 'implausible',
      path: `measurements/${definition.id}`,
      message: `${figure} is not used: ${judged.because}. Measure again; if it is right, confirm it with a second reading that agrees.`,
    })
    return false
  })
  if (usable.some((one) => one.reading.unit === 'fw' && one.reading.breadthCm === undefined)) {
    cautions.push({
      level: 'caution',
      code: 'uncalibrated-fingers',
      decisions: [],
      steps: [],
      text: `${definition.label}: enter your own finger width in Settings, or use the tape.`,
      why: 'Finger widths differ by a third between clinicians; 1.8 cm a finger was assumed.',
    })
  }
  if (usable.some((one) => one.reading.tool === 'eye')) {
    cautions.push({
      level: 'caution',
      code: 'by-eye',
      decisions: [],
      steps: [],
      text: `${definition.label} was judged by eye: measure it as soon as there is a tape.`,
      why: 'It may be off by a tenth. What is measured takes its place.',
    })
  }
  if (usable.length === 0) return { estimate: null, problems, cautions }
  const pooled = poolReadings(usable)
  if (!pooled.agrees) {
    problems.push({
      code: 'third-reading',
      path: `measurements/${definition.id}`,
      message: `${definition.label}: the two readings differ by more than the tape explains; take a third. Their mean is used until then.`,
    })
  }
  const at = usable.map((one) => one.reading.at).reduce((best, one) => (instantOf(one) >= instantOf(best) ? one : best))
  return {
    problems,
    cautions,
    estimate: {
      id: definition.id,
      label: definition.label,
      value: pooled.value,
      sd: pooled.sd,
      count: pooled.count,
      ...(side ? { side } : {}),
      ...(at ? { at } : {}),
      ...fingersOf(usable.map((one) => one.reading)),
    },
  }
}

/** The reading that was taken last; of those without a time, the one that came last. */
function latestOf(readings: readonly Measurement[]): readonly Measurement[] {
  const last = readings.reduce<Measurement | undefined>(
    (best, one) => (best && instantOf(one.at) < instantOf(best.at) ? best : one),
    undefined,
  )
  return last ? [last] : []
}

/** The finger that every one of them was read in, where its breadth is known. */
function fingersOf(readings: readonly Measurement[]): Pick<Estimate, 'fingerCm'> {
  const [first] = readings
  const breadthCm = first?.breadthCm
  const isOneHand = readings.every((reading) => reading.unit === 'fw' && reading.breadthCm === breadthCm)
  return isOneHand && breadthCm !== undefined ? { fingerCm: breadthCm } : {}
}

/** Whether a reading's unit fits what is measured; if not, a problem says so and the reading is not used. */
function hasRightUnit(definition: MeasurementDefinition, reading: Measurement, problems: Problem[]): boolean {
  const isAngle = definition.kind === 'angle'
  if (reading.unit === undefined || isAngle === (reading.unit === 'deg')) return true
  problems.push({
    code: 'unknown-unit',
    path: `measurements/${definition.id}`,
    message: `${definition.label} cannot be in ${reading.unit}: give ${isAngle ? 'an angle in deg' : 'a length in cm, mm, in, ft or fw'}.`,
  })
  return false
}

function checkReading(definition: MeasurementDefinition, figure: string, because: string, confirmed: boolean): Caution {
  return {
    level: 'caution',
    code: 'check-reading',
    decisions: [],
    steps: [],
    text: confirmed ? `${figure} is used because it was confirmed by a second reading.` : `${figure}: measure again to be sure.`,
    why: `${definition.label}: ${because}.`,
  }
}

/** Stature where it says something about the leg or arm: from 12 years, and with two whole legs. */
function statureThatCounts(clinicalCase: ClinicalCase): number | null {
  const { ageYears, heightCm } = clinicalCase.patient
  if (heightCm === undefined || (ageYears !== undefined && ageYears < 12)) return null
  const region = clinicalCase.injury.region
  const isLeg = region !== undefined && bodyRegionOf(region) === 'leg'
  return isLeg && hasFlag(clinicalCase, 'part-amputation') ? null : heightCm
}
