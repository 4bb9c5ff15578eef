import type { PlanDraft } from '../../../planner/draft'
import type { OverruleRange } from '../../../planner/overruled-range'
import { countSlabLayers, type LayerBand, type LayerReason } from '../../../figures/slabs/slab-layers'

/** Layers that a clinician may set: so many at least carry this patient. */
export function layersHold(least: number): OverruleRange {
  return {
    safe: [least, Infinity],
    harm: { less: 'It cracks under this patient, and the break moves in it.', more: '' },
  }
}

/**
 * Decides `slab-layers`: plaster layers by school, mass and wear; one pre-padded strip otherwise.
 * @param where which part it is for, in words for the formula
 * @param more what an option asks for, layers
 * @returns layers, or 1 strip
 */
export function decideSlabLayers(
  draft: PlanDraft,
  isPlaster: boolean,
  band: LayerBand,
  where: string,
  more: readonly LayerReason[] = [],
): number {
  if (!isPlaster) {
    return draft.decide({
      id: 'slab-layers',
      label: 'Slab',
      value: 1,
      unit: 'strip',
      display: '1 pre-padded strip',
      source: 'practice',
      formula: 'One pre-padded strip, which counts as 6 plies.',
      working: [],
    })
  }
  const count = countSlabLayers(draft.clinicalCase, band, draft.ctx.protocol, more)
  return draft.decide({
    id: 'slab-layers',
    value: count.layers,
    range: layersHold(count.least),
    source: 'practice',
    formula: `${band.base} layers ${where}, more for weight and long wear, fewer under 35 kg, kept within its band.`,
    working: [
      { label: 'Base', value: band.base, unit: 'layers', from: 'default' },
      ...count.reasons.map((reason) => ({ label: reason.label, value: reason.change, unit: 'layers', from: 'computed' as const })),
    ],
  })
}
