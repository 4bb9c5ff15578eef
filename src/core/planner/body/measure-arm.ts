import type { PlanDraft } from '../draft'
import type { Geometry, GeometryMark } from '../../model/geometry'
import { buildArmModel, splitPath, type ArmModel } from '../../figures/body/arm-model'
import { armStationIds, forearmShareOfStature, type ArmStationId } from '../../figures/body/arm-template'
import { armGirths } from '../../figures/body/measurements/arm'
import type { Estimate } from '../../figures/body/pool-side'
import { drawnStatureCm } from './drawn-stature'

const pathForDrawingCm = 25
/**
 * The forearm and hand of a case from its readings. Raises `missing` when no girth was measured.
 * @param pathCm the longer palm path, cm; null draws one of 25 cm
 */
export function measureArm(draft: PlanDraft, pathCm: number | null): ArmModel | null {
  const girths: Partial<Record<ArmStationId, Estimate>> = {}
  for (const definition of armGirths) {
    const estimate = draft.measure(definition)
    if (estimate) girths[definition.id.replace(/-girth$/, '') as ArmStationId] = estimate
  }
  const model = buildArmModel(girths, splitPath(pathCm ?? pathForDrawingCm))
  if (!model && !draft.collect().problems.some((problem) => problem.path.includes('-girth'))) {
    draft.problem({
      code: 'missing',
      path: 'measurements/forearm-girth',
      message: 'No girth of this arm was measured: measure round the forearm at its widest, and better also round wrist and palm.',
    })
  }
  return model
}

/** A forearm to draw when nothing was measured: by the stature it is drawn with. It decides nothing. */
export function sketchArm(draft: PlanDraft): ArmModel {
  const stature = drawnStatureCm(draft.clinicalCase.patient)
  const model = buildArmModel({}, splitPath(0.145 * stature), forearmShareOfStature * stature)
  if (!model) throw new Error('an arm with a fallback girth can always be drawn')
  return model
}

/** The forearm as geometry for the lane: axis from the fingertips up, stations, marks. */
export function armGeometry(draft: PlanDraft, model: ArmModel): Geometry {
  const { injury } = draft.clinicalCase
  const stations = armStationIds.map((id) => model.stations[id])
  const readFrom = stations.find((station) => station.measured?.side && station.measured.side !== injury.side)?.measured?.side
  const marks: GeometryMark[] = [
    { id: 'palm-crease', axis: 'arm', label: 'Far palm crease', kind: 'landmark', atCm: -model.palmCm },
    { id: 'wrist-crease', axis: 'arm', label: 'Wrist crease', kind: 'landmark', atCm: 0 },
    { id: 'elbow-crease', axis: 'arm', label: 'Elbow crease', kind: 'landmark', atCm: model.forearmCm },
    { id: 'radial-pulse', axis: 'arm', label: 'Pulse at the wrist', kind: 'pulse', atCm: 2 },
    { id: 'ulnar-styloid', axis: 'arm', label: 'Bony point of the wrist', kind: 'bone', atCm: 1 },
  ]
  if (injury.levelCm !== null) marks.push({ id: 'injury', axis: 'arm', label: 'Injury', kind: 'injury', atCm: injury.levelCm })
  return {
    body: 'arm',
    ...(injury.side ? { side: injury.side } : {}),
    ...(readFrom ? { readFrom } : {}),
    angles: {},
    axes: [{ id: 'arm', label: 'Forearm, from the wrist crease', lengthCm: model.forearmCm }],
    stations: stations.map((station) => ({
      id: station.id,
      axis: 'arm',
      label: station.id.replaceAll('-', ' '),
      atCm: station.atCm,
      girthCm: station.girthCm,
      from: station.measured ? 'measured' : 'estimated',
      ...(station.measured?.side ? { side: station.measured.side } : {}),
    })),
    bands: [],
    marks,
    polygons: [],
  }
}
