import type { LegModel } from '../../figures/body/leg-model'
import type { GeometryBand } from '../../model/geometry'
import type { CastPart } from './cast-parts'

/**
 * Where each roll lies and how far it goes, for the lane: along the foot from the toes, up the lower leg from the heel or about the
 * injury, over the knee, on up the thigh. A roll that would go farther than its stretch is wound back on it, and ends with the stretch.
 * @param topCm upper end of the cast, cm from the heel sole
 * @param levelCm of the injury, where it is known, cm from the heel sole
 * @param lapCm a part is lapped onto the one before it by so much, cm
 */
export function rollBands(
  parts: readonly CastPart[],
  model: LegModel,
  topCm: number,
  { levelCm, lapCm }: { readonly levelCm: number | null; readonly lapCm: number },
): readonly GeometryBand[] {
  const toeCm = model.stations.toe.atCm
  const legTopCm = Math.min(model.lowerLegCm, topCm)
  let thighFromCm = model.lowerLegCm - lapCm
  return parts.flatMap(({ id: part, rolls }) =>
    rolls.flatMap(({ id, number, roll: { zone, reachCm } }): readonly GeometryBand[] => {
      if (reachCm === null) return []
      const band = (axis: 'foot' | 'leg', fromCm: number, toCm: number): readonly GeometryBand[] => [
        {
          id,
          axis,
          label: `Roll ${number}`,
          kind: 'reach',
          fromCm,
          toCm,
          decision: zone === 'thigh' ? 'rolls-thigh' : 'rolls-lower',
        },
      ]
      if (zone === 'foot') return band('foot', toeCm, Math.min(model.footCm, toeCm + reachCm))
      if (zone === 'leg') {
        const isOverInjury = part === 'knee' && levelCm !== null
        const fromCm = isOverInjury ? Math.max(0, Math.min(levelCm, legTopCm) - reachCm / 2) : 0
        return band('leg', fromCm, Math.min(legTopCm, fromCm + reachCm))
      }
      const fromCm = part === 'knee' ? model.lowerLegCm - lapCm : thighFromCm
      const toCm = Math.min(topCm, fromCm + reachCm)
      thighFromCm = Math.max(fromCm, toCm - lapCm)
      return band('leg', fromCm, toCm)
    }),
  )
}
