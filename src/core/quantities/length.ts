import type { ReadingUnit } from './units'

const cmPerUnit = { cm: 1, mm: 0.1, in: 2.54, ft: 30.48 } as const

/** Readings in finger widths that carry no breadth use this much per finger, cm. */
export const uncalibratedFingerCm = 1.8

/**
 * Converts a reading to cm; angles pass through as degrees.
 * @param value in `unit`
 * @param breadthCm breadth per finger for `fw`; 1.8 cm when not given
 * @example toCm(15.25, 'in') // 38.735
 */
export function toCm(value: number, unit: ReadingUnit, breadthCm = uncalibratedFingerCm): number {
  if (unit === 'deg') return value
  return value * (unit === 'fw' ? breadthCm : cmPerUnit[unit])
}

/** Inches from cm. */
export function cmToInches(cm: number): number {
  return cm / cmPerUnit.in
}
