import type { GeometryBand } from '../../model/geometry'
import type { RollRun } from '../../model/roll-run'
import type { CastPart } from './cast-parts'

/** Every roll of a cast as it is laid, in the order of laying: what the plan carries as `rolls`. */
export function rollRuns(parts: readonly CastPart[]): readonly RollRun[] {
  return parts.flatMap(({ rolls }) => rolls.flatMap(({ id, roll }) => roll.runs.map((run): RollRun => ({ id, ...run }))))
}

/** Where each roll lies, for the lane: from its lowest to its highest place. */
export function rollBands(parts: readonly CastPart[]): readonly GeometryBand[] {
  return parts.flatMap(({ rolls }) =>
    rolls.flatMap(({ id, number, roll: { zone, runs } }): readonly GeometryBand[] => {
      const places = runs.flatMap(({ fromCm, toCm }) => [fromCm, toCm])
      if (places.length === 0) return []
      return [
        {
          id,
          axis: zone === 'foot' ? 'foot' : 'leg',
          label: `Roll ${number}`,
          kind: 'reach',
          fromCm: Math.min(...places),
          toCm: Math.max(...places),
          decision: zone === 'thigh' ? 'rolls-thigh' : 'rolls-lower',
        },
      ]
    }),
  )
}
