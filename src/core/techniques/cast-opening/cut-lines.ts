import type { GeometryBand, GeometryMark } from '../../model/geometry'

/** A cutting line as places along the limb: cm along its axis, and the share of the depth from the back. */
export type CutLine = NonNullable<GeometryBand['line']>

/** Shares of the depth where lines run by the way of opening, and how far they step aside beside a bone point. */
const courses: Readonly<Record<string, readonly { readonly share: number; readonly aside: number }[]>> = {
  strip: [
    { share: 0.74, aside: 0.84 },
    { share: 0.88, aside: 0.94 },
  ],
  single: [{ share: 0.8, aside: 0.88 }],
  'two-halves': [
    { share: 0.66, aside: 0.78 },
    { share: 0.66, aside: 0.78 },
  ],
}
/** Bone points at the side of the limb, and the wound, are passed by at this distance or more, cm. */
const clearCm = 4
const stepCm = 2

/**
 * Where the lines run on a leg: along the front half, away from the malleoli, the fibular neck and the injury, which
 * lie at the side. Our estimate of a usual course; the one who cuts looks at the limb.
 * @param lines the way of opening: strip, single or two-halves
 * @param marks of the drawing, along the leg's axis
 * @param toCm upper end of the cast
 */
export function cutLines(lines: string, marks: readonly GeometryMark[], toCm: number): readonly CutLine[] {
  const bones = marks.filter(
    (mark) => mark.axis === 'leg' && (mark.id === 'malleoli' || mark.id === 'fibular-neck' || mark.kind === 'injury'),
  )
  const isNear = (atCm: number): boolean => bones.some((mark) => Math.abs(mark.atCm - atCm) <= clearCm)
  return (courses[lines] ?? courses['single'] ?? []).map(({ share, aside }) => {
    const count = Math.max(2, Math.ceil((toCm - 3) / stepCm))
    return Array.from({ length: count + 1 }, (_, index): readonly [number, number] => {
      const atCm = 3 + ((toCm - 3) * index) / count
      return [atCm, isNear(atCm) ? aside : share]
    })
  })
}
