import type { GeometryPolygon } from '../../model/geometry'

export interface VolarCut {
  readonly widthCm: number
  /** Path on the index side and on the little-finger side, cm. */
  readonly indexCm: number
  readonly littleCm: number
  /** Slab length, cm: the longer side. */
  readonly lengthCm: number
  /** Radius of the thumb half-moon, cm; null cuts none. */
  readonly notchCm: number | null
  /** Where the middle of the thumb lies, cm from the hand end along the index side. */
  readonly thumbAtCm: number
}

const arcSteps = 12

/**
 * The outline to cut, 1:1, cm: x along the forearm from the hand end, y across with the index side at 0. The hand end
 * slants from index to little finger; a half-moon on the index side leaves the thumb free.
 * @returns a closed outline, corners in order
 */
export function volarTemplate(cut: VolarCut): GeometryPolygon {
  const longest = Math.max(cut.indexCm, cut.littleCm)
  const indexStart = longest - cut.indexCm
  const littleStart = longest - cut.littleCm
  const points: [number, number][] = [
    [littleStart, cut.widthCm],
    [indexStart, 0],
  ]
  if (cut.notchCm !== null) {
    const radius = Math.min(cut.notchCm, cut.widthCm * 0.6)
    const middle = indexStart + Math.max(cut.thumbAtCm, radius)
    for (let step = 0; step <= arcSteps; step++) {
      const angle = Math.PI * (1 - step / arcSteps)
      points.push([middle + radius * Math.cos(angle), radius * Math.sin(angle)])
    }
  }
  points.push([cut.lengthCm, 0], [cut.lengthCm, cut.widthCm])
  const across = cut.widthCm / 2
  const parts: GeometryPolygon['parts'] = [
    { label: 'hand end', at: [Math.max(indexStart, littleStart) + 2, across * 1.5] },
    ...(cut.notchCm === null
      ? []
      : [
          {
            label: 'thumb',
            at: [indexStart + Math.max(cut.thumbAtCm, cut.notchCm), Math.min(cut.notchCm, cut.widthCm * 0.6) + 0.9] as const,
          },
        ]),
    { label: 'little finger side', at: [cut.lengthCm / 2, cut.widthCm - 2.4] },
    { label: 'elbow end', at: [cut.lengthCm - 2.2, across] },
  ]
  return { id: 'template', label: 'Cutting outline, palm side up', role: 'template', points, parts, decision: 'template' }
}
