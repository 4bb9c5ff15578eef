import type { LegModel } from '../../figures/body/leg-model'
import type { Geometry, GeometryMark } from '../../model/geometry'
import { legGeometry } from '../../planner/body/leg-geometry'
import type { PlanDraft } from '../../planner/draft'
import type { CastPart } from './cast-parts'
import { rollBands } from './roll-bands'
import type { RollPlaces } from './roll-words'

/** By what the ways of the rolls are named on this leg. */
export function rollPlaces({ stations, lowerLegCm }: LegModel, isLong: boolean): RollPlaces {
  return {
    toeCm: stations.toe.atCm,
    instepCm: stations['heel-instep'].atCm,
    kneeCm: lowerLegCm,
    bootTopCm: stations['below-knee'].atCm,
    topCm: stations[isLong ? 'groin' : 'below-knee'].atCm,
  }
}

/** The cast on the leg: padding, its parts, each roll, and where it is held. */
export function drawCast(
  draft: PlanDraft,
  model: LegModel,
  {
    isLong,
    kneeDeg,
    ankleDeg,
    parts,
    lapCm,
  }: { isLong: boolean; kneeDeg: number; ankleDeg: number; parts: readonly CastPart[]; lapCm: number },
): Geometry {
  const top = isLong ? 'groin' : 'below-knee'
  const topCm = model.stations[top].atCm
  const base = legGeometry(draft, model, isLong ? 'groin' : 'knee')
  return {
    ...base,
    angles: { ankle: ankleDeg, knee: isLong ? kneeDeg : 0 },
    marks: [...base.marks, ...gripMarks(model, isLong, lapCm)],
    bands: [
      { id: 'padding', axis: 'leg', label: 'Padding', kind: 'padding', fromCm: 0, toCm: topCm, decision: 'padding' },
      {
        id: 'cast-foot',
        axis: 'foot',
        label: 'Cast, foot: it ends at the toes',
        kind: 'zone',
        fromCm: model.stations.toe.atCm,
        toCm: model.footCm,
        decision: 'rolls-lower',
      },
      {
        id: 'cast-lower',
        axis: 'leg',
        label: 'Cast, lower leg',
        kind: 'zone',
        fromCm: 0,
        toCm: model.stations['below-knee'].atCm,
        decision: 'rolls-lower',
      },
      ...(isLong
        ? [
            {
              id: 'cast-thigh',
              axis: 'leg',
              label: 'Cast, thigh',
              kind: 'zone' as const,
              fromCm: model.stations['below-knee'].atCm,
              toCm: topCm,
              decision: 'rolls-thigh',
            },
          ]
        : []),
      ...rollBands(parts),
    ],
  }
}

/** Where hands lie that nothing is wound over: the toe tips, and below the lap of the thigh's rolls. */
function gripMarks({ stations }: LegModel, isLong: boolean, lapCm: number): readonly GeometryMark[] {
  const palmCm = 6
  const calfCm = Math.max(0, stations['below-knee'].atCm - Math.min(lapCm, stations['below-knee'].atCm / 2) - palmCm)
  return [
    { id: 'toe-tips', axis: 'foot', label: 'Toe tips, where the foot is held', kind: 'landmark', atCm: 0 },
    ...(isLong
      ? [{ id: 'under-calf', axis: 'leg', label: 'Palms while the thigh is wrapped', kind: 'landmark' as const, atCm: calfCm }]
      : []),
  ]
}
