import type { PlanDraft } from '../draft'
import type { Geometry, GeometryMark } from '../../model/geometry'
import type { LegModel } from '../../figures/body/leg-model'
import { legStationIds, type LegStationId } from '../../figures/body/leg-template'

/** The leg as geometry for the lane: axes, stations and the marks that every leg has. */
export function legGeometry(draft: PlanDraft, model: LegModel, top: LegStationId): Geometry {
  const { injury } = draft.clinicalCase
  const order = legStationIds.slice(0, legStationIds.indexOf(top) + 1)
  const stations = order.map((id) => model.stations[id])
  const readFrom = stations.find((station) => station.measured?.side && station.measured.side !== injury.side)?.measured?.side
  const topCm = model.stations[top].atCm
  const marks: GeometryMark[] = [
    { id: 'malleoli', axis: 'leg', label: 'Malleoli', kind: 'bone', atCm: model.lowerLegCm * 0.137 },
    { id: 'fibular-neck', axis: 'leg', label: 'Fibular neck', kind: 'bone', atCm: model.stations['below-knee'].atCm },
    { id: 'patella', axis: 'leg', label: 'Patella', kind: 'bone', atCm: model.lowerLegCm },
    { id: 'dorsal-foot-pulse', axis: 'foot', label: 'Pulse on the foot', kind: 'pulse', atCm: model.stations.midfoot.atCm },
    { id: 'heel-cord', axis: 'leg', label: 'Heel cord', kind: 'landmark', atCm: model.stations.ankle.atCm * 0.85 },
  ]
  if (injury.levelCm !== null) marks.push({ id: 'injury', axis: 'leg', label: 'Injury', kind: 'injury', atCm: injury.levelCm })
  return {
    body: 'leg',
    ...(injury.side ? { side: injury.side } : {}),
    ...(readFrom ? { readFrom } : {}),
    angles: {},
    axes: [
      { id: 'foot', label: 'Foot, from the toe tips', lengthCm: model.footCm },
      { id: 'leg', label: 'Leg, from the heel sole', lengthCm: Math.max(topCm, model.lowerLegCm) + 4 },
    ],
    stations: stations.map((station) => ({
      id: station.id,
      axis: station.axis,
      label: station.id.replaceAll('-', ' '),
      atCm: station.atCm,
      girthCm: station.girthCm,
      from: station.measured ? 'measured' : 'estimated',
      ...(station.measured?.side ? { side: station.measured.side } : {}),
    })),
    bands: [],
    marks: marks.filter((mark) => mark.axis !== 'leg' || mark.atCm <= topCm + 4),
    polygons: [],
  }
}
