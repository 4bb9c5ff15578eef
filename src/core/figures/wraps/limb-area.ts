import { frustumArea } from '../body/frustum'

/** A place on an axis and the girth there, cm. */
export interface GirthAt {
  readonly atCm: number
  readonly girthCm: number
}

/** Girth at a place, linear between those known, and beyond the ends as at the end, cm. */
export function girthAt(profile: readonly GirthAt[], atCm: number): number {
  const upper = profile.findIndex((one) => one.atCm >= atCm)
  const [below, above] = [profile[upper < 0 ? profile.length - 1 : upper - 1], profile[upper]]
  if (!below) return above?.girthCm ?? 0
  if (!above) return below.girthCm
  return below.girthCm + ((atCm - below.atCm) / (above.atCm - below.atCm)) * (above.girthCm - below.girthCm)
}

/**
 * Skin or padded area between two places of a limb: frusta from girth to girth.
 * @param profile girths in the order of the axis, at least one
 * @returns cm², 0 where the places are the same; the same whichever is the higher
 * @example limbArea([{ atCm: 0, girthCm: 30 }, { atCm: 10, girthCm: 30 }], 0, 10) // 300
 */
export function limbArea(profile: readonly GirthAt[], oneCm: number, otherCm: number): number {
  const [lowCm, highCm] = oneCm < otherCm ? [oneCm, otherCm] : [otherCm, oneCm]
  let [areaCm2, fromCm, fromGirthCm] = [0, lowCm, girthAt(profile, lowCm)]
  const add = (toCm: number, toGirthCm: number): void => {
    areaCm2 += frustumArea(fromGirthCm, toGirthCm, toCm - fromCm)
    ;[fromCm, fromGirthCm] = [toCm, toGirthCm]
  }
  for (const { atCm, girthCm } of profile) if (atCm > lowCm && atCm < highCm) add(atCm, girthCm)
  if (highCm > lowCm) add(highCm, girthAt(profile, highCm))
  return areaCm2
}
