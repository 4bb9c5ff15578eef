import type { ReadingTool, ReadingUnit } from '../quantities/units'
import type { Device } from './device'
import type { Orders } from './orders'
import type { RigSetting } from './rig'
import type { Flag, InjuryFlag, PatientFlag, Pattern, Region, Side, Swelling } from './vocabulary'

/** One reading as taken: a figure in the unit it was read in, with the side, tool and person kept. */
export interface Measurement {
  readonly id: string
  readonly side?: Side
  /** The figure in `unit`; for readings judged in words (skin) the word itself. */
  readonly value: number | string
  readonly unit?: ReadingUnit
  readonly key?: string
  readonly occasion?: string
  readonly tool?: ReadingTool
  readonly typed?: string
  readonly posture?: string
  /** The step at which it was read, by id. */
  readonly stepId?: string
  /** The landmark it was read for, where that depends on an option. */
  readonly takenFor?: string
  readonly by?: string
  /** ISO 8601 with offset. */
  readonly at?: string
  readonly confirmed?: boolean
  readonly supersedes?: string
  /** The clinician's own breadth per finger, cm, for readings in finger widths. */
  readonly breadthCm?: number
  /** How far the scale bar lay before or behind what was measured in a photo, cm. */
  readonly planeCm?: number
}

export interface Patient {
  readonly ageYears?: number
  readonly sex?: string
  readonly heightCm?: number
  readonly massKg?: number
  readonly flags: readonly PatientFlag[]
}

export interface Injury {
  readonly region?: Region
  readonly side?: Side
  readonly pattern: Pattern
  readonly flags: readonly InjuryFlag[]
  readonly swelling: Swelling
  /** cm along the limb from its distal end (heel sole or wrist crease); null when not known. */
  readonly levelCm: number | null
}

export interface Overrule {
  /** The decision whose value is replaced, or the caution that is set aside: exactly one of the two. */
  readonly decision?: string
  readonly caution?: string
  /** What raised the caution that is set aside, and its figure then; without them it holds for the figure of now. */
  readonly from?: string
  readonly figure?: number | null
  readonly value?: number | string | boolean | readonly number[]
  readonly reason: string
  readonly by: string
  readonly at: string
}

/** A sized device or a length of material on the shelf. `count` left out means present. */
export interface StockItem {
  readonly item?: string
  readonly technique?: string
  readonly size?: string
  readonly setting?: number
  readonly widthCm?: number
  readonly lengthCm?: number
  readonly fits?: Readonly<Record<string, readonly [number, number]>>
  readonly count?: number
  readonly prefer?: 'larger' | 'smaller'
  /** Further properties of one device kind (straps, clicks, pads), read by that device's technique. */
  readonly [property: string]: unknown
}

export interface Environment {
  readonly waterC: number
  readonly roomC: number
  readonly backing: 'air' | 'pillow'
  /** The setting time printed on the pack, minutes at 22 °C; replaces the built-in one. */
  readonly packSetMin?: number
  readonly stretcherCm: number
}

/** One device on one patient, as far as it is known: everything a plan is computed from. */
export interface ClinicalCase {
  readonly technique: string
  readonly patient: Patient
  readonly injury: Injury
  readonly options: Readonly<Record<string, string | number>>
  readonly measurements: readonly Measurement[]
  readonly crew: { readonly people: number | null }
  readonly environment: Environment
  readonly stock: 'catalogue' | readonly StockItem[]
  readonly wearDays?: number
  readonly orders: Orders
  /** The rig of a suspended splint as it is found or tried. */
  readonly rig?: RigSetting
  /** A cast that is already on. */
  readonly device?: Device
  /** The technique of what is on and comes off for this one. */
  readonly replaces?: string
  /** ISO 8601 with offset: when the device went on. */
  readonly appliedAt?: string
  /** IANA zone name of the place. */
  readonly zone?: string
  readonly overrules: readonly Overrule[]
  readonly seed?: number
}

/** Whether a patient or injury flag is set. */
export function hasFlag(clinicalCase: ClinicalCase, flag: Flag): boolean {
  return (clinicalCase.patient.flags as readonly string[]).includes(flag) || (clinicalCase.injury.flags as readonly string[]).includes(flag)
}

/** Whether the patient's age in years is known and below `years`. */
export function isYoungerThan(clinicalCase: ClinicalCase, years: number): boolean {
  const age = clinicalCase.patient.ageYears
  return age !== undefined && age < years
}

/** Whether feeling may be gone unnoticed: diabetes, and not tested at this injury. */
export function hasUntestedFeeling(clinicalCase: ClinicalCase): boolean {
  return hasFlag(clinicalCase, 'diabetes') && !hasFlag(clinicalCase, 'feeling-tested')
}
