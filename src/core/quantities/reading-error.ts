import type { ReadingTool, ReadingUnit } from './units'
import { defineDefaults, readDefaults, type Protocol } from './defaults'
import { uncalibratedFingerCm } from './length'

export type MeasurementKind = 'length' | 'girth' | 'angle' | 'count' | 'words'

export const readingErrorDefaults = defineDefaults('reading', {
  tapeAlongCm: { value: 0.5, unit: 'cm', source: 'practice' },
  tapeRoundCm: { value: 0.4, unit: 'cm', source: 'practice' },
  fingerCalibratedCm: { value: 0.1, unit: 'cm per finger', source: 'practice' },
  fingerUncalibratedCm: { value: 0.3, unit: 'cm per finger', source: 'practice' },
  eyeShare: { value: 0.1, unit: 'ratio', source: 'model', label: 'By eye, share of the length' },
  eyeLeastCm: { value: 1, unit: 'cm', source: 'model', label: 'By eye, at least' },
  eyeDeg: { value: 10, unit: 'deg', source: 'model', label: 'By eye, an angle' },
  goniometerDeg: { value: 3, unit: 'deg', source: 'practice' },
  photoAngleDeg: { value: 2, unit: 'deg', source: 'practice' },
  photoLengthShare: { value: 0.02, unit: 'ratio', source: 'practice' },
  photoCameraCm: { value: 80, unit: 'cm', source: 'practice', note: 'arm’s length and a half from the limb' },
})

/** What the error of a reading depends on. */
export interface TakenReading {
  readonly value: number | string
  readonly unit?: ReadingUnit
  readonly tool?: ReadingTool
  /** Breadth per finger, cm, for readings in finger widths. */
  readonly breadthCm?: number
  /** How far the scale bar lay before or behind what was measured in a photo, cm. */
  readonly planeCm?: number
}

/** The error of counting whole fingers: breadth ÷ √12, cm. */
function wholeFingerError({ breadthCm = uncalibratedFingerCm }: TakenReading): number {
  return breadthCm / Math.sqrt(12)
}

/**
 * The error by which two readings are held against each other, cm or degrees: of fingers a third of a finger, so that one finger apart agrees,
 * for the same hand's breadth is wrong in both.
 */
export function repeatError(reading: TakenReading, error: number): number {
  return reading.unit === 'fw' ? (reading.breadthCm ?? uncalibratedFingerCm) / 3 : error
}

/**
 * The standard error σt of one reading by its tool.
 * Of n fingers √((n·σ a finger)² + (breadth ÷ √12)²): a breadth that is wrong is wrong n times over, and whole fingers are a coarse rule.
 * From a photo 2 % of the length, and the share by which a bar off the limb's plane is drawn too large or too small: its distance from
 * that plane ÷ the camera's.
 * By eye a tenth, at least 1 cm: our estimate.
 * @param reading in its own unit
 * @param kind along a limb, round it, or an angle
 * @param valueCm the same reading in cm (or degrees)
 * @returns cm, or degrees for angles; above 0 for every real reading
 */
export function readingError(reading: TakenReading, kind: MeasurementKind, valueCm: number, protocol: Protocol): number {
  const errors = readDefaults(readingErrorDefaults, protocol)
  const tool: ReadingTool = reading.tool ?? (reading.unit === 'fw' ? 'fingers' : 'tape')
  if (tool === 'eye') return kind === 'angle' ? errors.eyeDeg : Math.max(errors.eyeLeastCm, errors.eyeShare * Math.abs(valueCm))
  if (kind === 'angle') return tool === 'photo' ? errors.photoAngleDeg : errors.goniometerDeg
  if (reading.unit === 'fw') {
    const perFinger = reading.breadthCm === undefined ? errors.fingerUncalibratedCm : errors.fingerCalibratedCm
    const fingers = Math.abs(Number(reading.value))
    return Math.hypot(fingers * perFinger, wholeFingerError(reading))
  }
  if (tool === 'photo') return Math.hypot(errors.photoLengthShare, (reading.planeCm ?? 0) / errors.photoCameraCm) * Math.abs(valueCm)
  return kind === 'girth' ? errors.tapeRoundCm : errors.tapeAlongCm
}
