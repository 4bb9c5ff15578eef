import type { Level } from '../model/finding'
import { assessed, type BlockFindings } from '../model/observation'
import type { vitalItems } from '../model/round-items'

/** What the limits of vital signs depend on. */
export interface VitalContext {
  /** Years; null where it is not known: then as an adult. */
  readonly ageYears: number | null
  /** Neck or trunk may be hurt: a low pressure with a slow heart may come from the cord. */
  readonly isColumn: boolean
}

/** One vital sign as it was judged. */
export interface JudgedVital {
  /** 0 is well; more is worse, within one chain. */
  readonly severity: number
  readonly level: Level
  readonly code: string
  /** Low and high, and what is worked out of two signs, are no more or less of each other. */
  readonly chain?: string
  /** What it says beside its figure; empty for most. */
  readonly words: string
}

interface Band {
  readonly urgentBelow: number
  readonly urgentAbove: number
  readonly warnAbove: number
}

/** Limits a minute by age, usual published practice: under 1, 1 to 4, 5 to 11, from 12 years. */
const breathsByAge: readonly Band[] = [
  { urgentBelow: 20, urgentAbove: 60, warnAbove: 50 },
  { urgentBelow: 15, urgentAbove: 45, warnAbove: 40 },
  { urgentBelow: 12, urgentAbove: 35, warnAbove: 28 },
  { urgentBelow: 10, urgentAbove: 29, warnAbove: 24 },
]
const heartByAge: readonly Band[] = [
  { urgentBelow: 90, urgentAbove: 190, warnAbove: 170 },
  { urgentBelow: 75, urgentAbove: 170, warnAbove: 150 },
  { urgentBelow: 60, urgentAbove: 150, warnAbove: 130 },
  { urgentBelow: 40, urgentAbove: 140, warnAbove: 120 },
]
const adultFromYears = 12
/** Where nobody knows the age: an adult, not yet old. */
const usualAgeYears = 40
/** An alarm always weighs more than a warning of the same sign. */
const urgentFrom = 1_000

/**
 * Judges one vital sign by the patient's age.
 * @param value as it was read: a minute, or mmHg
 * @param block the other signs of the same look: heart rate over systolic pressure is judged with the pressure
 */
export function judgeVital(id: (typeof vitalItems)[number]['id'], value: number, block: BlockFindings, context: VitalContext): JudgedVital {
  const ageYears = context.ageYears ?? usualAgeYears
  if (id === 'systolic') return judgePressure(value, assessed(block['heartRate']), ageYears, context.isColumn)
  const band = (id === 'heartRate' ? heartByAge : breathsByAge)[ageBand(ageYears)]!
  const name = `vital-${id}`
  if (value < band.urgentBelow) {
    return { severity: urgentFrom + band.urgentBelow - value, level: 'urgent', code: name, chain: 'low', words: 'too slow' }
  }
  if (value > band.urgentAbove)
    return { severity: urgentFrom + value - band.urgentAbove, level: 'urgent', code: name, chain: 'high', words: 'too fast' }
  if (value > band.warnAbove) return { severity: value - band.warnAbove, level: 'warn', code: name, chain: 'high', words: 'fast' }
  return { severity: 0, level: 'none', code: name, words: '' }
}

function ageBand(years: number): number {
  if (years < 1) return 0
  if (years < 5) return 1
  return years < adultFromYears ? 2 : 3
}

/** The systolic pressure below which it is urgent, mmHg. */
function leastPressure(ageYears: number): number {
  if (ageYears < 1) return 70
  if (ageYears < adultFromYears) return Math.min(90, 70 + 2 * ageYears)
  return ageYears < 65 ? 90 : 100
}

/** Pressure by age; from 12 years also heart rate over pressure; with a neck or trunk injury low and slow together. */
function judgePressure(systolic: number, heart: string | number | undefined, ageYears: number, isColumn: boolean): JudgedVital {
  const rate = heart === undefined ? null : Number(heart)
  if (isColumn && rate !== null && systolic < 100 && rate < 60)
    return {
      severity: urgentFrom + 100 - systolic,
      level: 'urgent',
      code: 'cord-shock',
      chain: 'cord-shock',
      words: `with a heart rate of ${rate}: cord shock? Look for bleeding first`,
    }
  const least = leastPressure(ageYears)
  if (systolic < least)
    return { severity: urgentFrom + least - systolic, level: 'urgent', code: 'vital-systolic', chain: 'low', words: 'too low' }
  const ratio = rate === null || ageYears < adultFromYears || systolic <= 0 ? 0 : rate / systolic
  const index = `heart rate over pressure ${ratio.toFixed(2)}, it may be bleeding`
  if (ratio >= 1)
    return { severity: urgentFrom + 100 * (ratio - 1), level: 'urgent', code: 'shock-index', chain: 'shock-index', words: index }
  if (systolic <= least + 10) return { severity: 11 + least - systolic, level: 'warn', code: 'vital-systolic', chain: 'low', words: 'low' }
  if (ratio >= 0.9) return { severity: 100 * (ratio - 0.9) + 1, level: 'warn', code: 'shock-index', chain: 'shock-index', words: index }
  return { severity: 0, level: 'none', code: 'vital-systolic', words: '' }
}
