import { wrapLength } from './wrap-length'
import { girthAt, limbArea, type GirthAt } from './limb-area'

/** A roll may be laid so much closer or wider than planned, share of its length. */
export const closeShare = 0.05
/** How far the layers may be from those wanted, anywhere. */
export const [layersLess, layersMore] = [1, 2] as const

/** A way along the limb that leaves so many layers, or turns on one place. */
export type WindSegment =
  | { readonly fromCm: number; readonly toCm: number; readonly layers: number }
  | { readonly atCm: number; readonly turns: number; readonly girthCm: number }

/** A limb as it is wound: its girths over the padding, the width of the rolls and what their laying takes up. */
export interface WoundLimb {
  readonly profile: readonly GirthAt[]
  readonly widthCm: number
  readonly takeUp: number
}

/** One roll as it is laid. */
export interface WoundRoll {
  readonly parts: readonly { readonly segment: WindSegment; readonly lengthCm: number }[]
  /** Not laid, cm. */
  readonly restCm: number
}

/**
 * The layers of each pass over a stretch: by half overlap two each, and the last one so much closer that every place has all of them.
 * @param layers to leave everywhere, 1 or more
 * @param overlap share of the width laid over the turn before, 0 to under 1
 * @example passesFor(7, 0.5) // [2, 2, 3]
 */
export function passesFor(layers: number, overlap: number): readonly number[] {
  const each = 1 / (1 - overlap)
  const count = Math.max(1, Math.floor(layers / each + 1e-9))
  return Array.from({ length: count }, (_, index) => (index < count - 1 ? each : layers - (count - 1) * each))
}

/** Length of roll that a segment takes, cm: area × layers ÷ width × take-up, or turns × girth. */
export function segmentLength({ profile, widthCm, takeUp }: WoundLimb, segment: WindSegment): number {
  if ('turns' in segment) return segment.turns * segment.girthCm
  return wrapLength(limbArea(profile, segment.fromCm, segment.toCm), widthCm, 1 - 1 / segment.layers, 1, takeUp)
}

/**
 * Winds segments one after the other with rolls of one length: each roll begins where the one before ended.
 * @param rollLengthCm of each as it lies, cm, above 0
 * @returns as many rolls as it takes; every one but the last is used up
 */
export function windRolls(limb: WoundLimb, segments: readonly WindSegment[], rollLengthCm: number): readonly WoundRoll[] {
  const rolls: WoundRoll[] = []
  let parts: { segment: WindSegment; lengthCm: number }[] = []
  let leftCm = rollLengthCm
  for (const whole of segments) {
    let segment: WindSegment | null = whole
    while (segment) {
      const lengthCm = segmentLength(limb, segment)
      if (lengthCm <= leftCm + 1e-6) {
        parts.push({ segment, lengthCm })
        leftCm = Math.max(0, leftCm - lengthCm)
        break
      }
      const [first, rest]: readonly [WindSegment, WindSegment] = cutAfter(limb, segment, leftCm)
      if (leftCm > 1e-6) parts.push({ segment: first, lengthCm: leftCm })
      rolls.push({ parts, restCm: 0 })
      ;[parts, leftCm, segment] = [[], rollLengthCm, rest]
    }
  }
  return parts.length > 0 ? [...rolls, { parts, restCm: leftCm }] : rolls
}

/** A segment in two: what so much of a roll covers, and what is left. */
function cutAfter(limb: WoundLimb, segment: WindSegment, lengthCm: number): readonly [WindSegment, WindSegment] {
  if ('turns' in segment) {
    const turns = lengthCm / segment.girthCm
    return [
      { ...segment, turns },
      { ...segment, turns: segment.turns - turns },
    ]
  }
  // Each guess is mended by the girth there; what is left after three is far below the width of a thread.
  const direction = Math.sign(segment.toCm - segment.fromCm)
  const cmOfRollPerCm = (atCm: number): number => (girthAt(limb.profile, atCm) * segment.layers * limb.takeUp) / limb.widthCm
  let endCm = segment.fromCm + direction * (lengthCm / cmOfRollPerCm(segment.fromCm))
  for (let guess = 0; guess < 6; guess++) {
    const overCm = segmentLength(limb, { ...segment, toCm: endCm }) * Math.sign((endCm - segment.fromCm) * direction) - lengthCm
    if (Math.abs(overCm) < 1e-9) break
    endCm -= (direction * overCm) / cmOfRollPerCm(endCm)
  }
  return [
    { ...segment, toCm: endCm },
    { ...segment, fromCm: endCm },
  ]
}
