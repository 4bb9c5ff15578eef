import type { LegModel } from '../../figures/body/leg-model'
import { legGeometry } from '../../planner/body/leg-geometry'
import type { PlanDraft } from '../../planner/draft'
import type { Geometry, GeometryPolygon } from '../../model/geometry'
import type { SlabFit } from './width'
import type { Extent } from './options'

export interface SlabDrawing {
  readonly fit: SlabFit | null
  readonly lengthCm: number | null
  readonly ankleDeg: number
  readonly kneeDeg: number
}

/** The leg with its padding and slab, and the unrolled sheet with the open front, to scale. */
export function drawSlab(draft: PlanDraft, model: LegModel, extent: Extent, slab: SlabDrawing): Geometry {
  const top = extent === 'above-knee' ? 'mid-thigh' : 'below-knee'
  const base = legGeometry(draft, model, extent === 'above-knee' ? 'mid-thigh' : 'knee')
  const topCm = model.stations[top].atCm
  return {
    ...base,
    angles: { ankle: slab.ankleDeg, knee: slab.kneeDeg },
    bands: [
      { id: 'padding', axis: 'leg', label: 'Padding', kind: 'padding', fromCm: 0, toCm: topCm + 2, decision: 'padding' },
      { id: 'bandage', axis: 'leg', label: 'Bandage', kind: 'bandage', fromCm: 0, toCm: topCm + 2, decision: 'bandage' },
      { id: 'slab', axis: 'leg', label: 'Slab', kind: 'slab', fromCm: 0, toCm: topCm, decision: 'slab-width' },
      ...(slab.fit && slab.fit.foldCm > 0
        ? [
            {
              id: 'fold',
              axis: 'leg',
              label: `Edges folded, ${slab.fit.foldCm.toFixed(1)} cm a side`,
              kind: 'fold' as const,
              fromCm: Math.max(0, model.stations.ankle.atCm - 4),
              toCm: model.stations.ankle.atCm + 4,
              decision: 'ankle-fold',
            },
          ]
        : []),
    ],
    polygons: slab.fit && slab.lengthCm !== null ? unrolled(model, slab.fit, slab.lengthCm) : [],
  }
}

/** Unrolled limb surface (padded girth by height) with the slab laid along its middle; x along the limb, y round it. */
function unrolled(model: LegModel, fit: SlabFit, lengthCm: number): readonly GeometryPolygon[] {
  const rows = fit.stations.map((station) => ({
    x: model.stations[station.id as keyof typeof model.stations].atCm,
    half: station.paddedGirthCm / 2,
  }))
  const first = rows[0]
  const last = rows.at(-1)
  if (!first || !last) return []
  const up = rows.map((row): readonly [number, number] => [row.x, row.half])
  const down = [...rows].reverse().map((row): readonly [number, number] => [row.x, -row.half])
  const half = fit.widthCm / 2
  const footPartCm = Math.max(0, lengthCm - last.x)
  return [
    { id: 'skin', label: 'Limb surface over the padding, unrolled', role: 'sheet', points: [...up, ...down], decision: null },
    {
      id: 'slab',
      label: `Slab, ${fit.widthCm} cm wide; ${footPartCm.toFixed(0)} cm of it folds under the foot`,
      role: 'slab',
      parts: [
        { label: 'toe end', at: [last.x - lengthCm + 2.5, 0] },
        ...(footPartCm > 3 ? [{ label: 'heel', at: [0, 0] as const }] : []),
        { label: 'top, at the back of the leg', at: [last.x - 6, 0] },
      ],
      points: [
        [last.x - lengthCm, half],
        [last.x, half],
        [last.x, -half],
        [last.x - lengthCm, -half],
      ],
      decision: 'slab-width',
    },
  ]
}
