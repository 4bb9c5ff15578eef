import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'

export const legMassDefaults = defineDefaults('leg-mass', {
  thigh: { value: 0.1, unit: 'ratio', source: 'anatomy' },
  shank: { value: 0.0465, unit: 'ratio', source: 'anatomy' },
  foot: { value: 0.0145, unit: 'ratio', source: 'anatomy' },
  centre: { value: 0.433, unit: 'ratio', source: 'anatomy', note: 'of the segment, from its upper end' },
})

export const gravity = 9.81

export interface LegSpan {
  /** Groin to heel sole, cm. */
  readonly insideLegCm: number
  /** Mid-patella to heel sole, cm. */
  readonly lowerLegCm: number
  /** Malleoli above the heel sole, cm. */
  readonly footHeightCm: number
}

export interface LegPart {
  readonly id: 'thigh' | 'shank' | 'foot'
  readonly massKg: number
  /** Centre of mass, cm from the heel sole along the leg. */
  readonly atCm: number
}

/**
 * Thigh, shank and foot as masses along the leg: shares of body mass, centres 0.433 of the
 * segment from its upper end, the foot in line with the sole.
 * @param massKg body mass, kg, above 0
 * @example 70 kg: thigh 7 kg, shank 3.255 kg, foot 1.015 kg
 */
export function legParts(massKg: number, span: LegSpan, protocol: Protocol): readonly LegPart[] {
  const share = readDefaults(legMassDefaults, protocol)
  const { insideLegCm, lowerLegCm, footHeightCm } = span
  return [
    { id: 'thigh', massKg: share.thigh * massKg, atCm: insideLegCm - share.centre * (insideLegCm - lowerLegCm) },
    { id: 'shank', massKg: share.shank * massKg, atCm: lowerLegCm - share.centre * (lowerLegCm - footHeightCm) },
    { id: 'foot', massKg: share.foot * massKg, atCm: 0 },
  ]
}

/**
 * Bending moment at the knee of a leg carried at groin and heel (beam on two supports, physics).
 * @returns N·cm
 */
export function kneeMoment(parts: readonly LegPart[], span: LegSpan): number {
  const { insideLegCm, lowerLegCm } = span
  const heelN = parts.reduce((sum, part) => sum + (gravity * part.massKg * (insideLegCm - part.atCm)) / insideLegCm, 0)
  const below = parts.filter((part) => part.atCm < lowerLegCm)
  return heelN * lowerLegCm - below.reduce((sum, part) => sum + gravity * part.massKg * (lowerLegCm - part.atCm), 0)
}
