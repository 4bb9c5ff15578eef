import { frustumArea } from '../body/frustum'

/** A place on an axis and the girth there, cm. */
export interface GirthAt {
  readonly atCm: number
  readonly girthCm: number
}

/** Girth at a place, linear between those known, and beyond the ends as at the end, cm. */
export function girthAt(profile: readonly GirthAt[], atCm: number): number {
  let below: GirthAt | undefined
  for (const above of profile) {
    if (above.atCm < atCm) {
      below = above
      continue
    }
    if (!below) return above.girthCm
    return below.girthCm + ((atCm - below.atCm) / (above.atCm - below.atCm)) * (above.girthCm - below.girthCm)
  }
  return below?.girthCm ?? 0
}

/**
 * Skin or padded area between two places of a limb: frusta from girth to girth.
 * @param profile girths in the order of the axis, at least one
 * @returns cm², 0 where the places are the same; the same whichever is the higher
 * @example limbArea([{ atCm: 0, girthCm: 30 }, { atCm: 10, girthCm: 30 }], 0, 10) // 300
 */
export function limbArea(profile: readonly GirthAt[], oneCm: number, otherCm: number): number {
  const lowCm = Math.min(oneCm, otherCm)
  const highCm = Math.max(oneCm, otherCm)
  if (highCm <= lowCm) return 0
  let areaCm2 = 0
  let fromCm = lowCm
  let fromGirthCm = girthAt(profile, lowCm)
  for (const { atCm, girthCm } of profile) {
    if (atCm <= lowCm) continue
    if (atCm >= highCm) break
    areaCm2 += frustumArea(fromGirthCm, girthCm, atCm - fromCm)
    fromCm = atCm
    fromGirthCm = girthCm
  }
  return areaCm2 + frustumArea(fromGirthCm, girthAt(profile, highCm), highCm - fromCm)
}
