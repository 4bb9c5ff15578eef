import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'

const uncoveredCm = 10
const edgeCm = 1
const overlapRange = [1, 3] as const
const usualPadCm = 15

export interface PadLayout {
  readonly count: number
  readonly lengthCm: number
  readonly overlapCm: number
  /** Middles of the pads from the heel sole, the top one with two straps, cm, ascending. */
  readonly strapsCm: readonly number[]
}

/**
 * Sling pads edge over edge along the leg: L = inside leg − 10, n = ceil((L − 1)/(length − 1)),
 * overlap (n·length − L)/(n − 1); straps at the middles, two on the top pad at a third and two thirds.
 * @param insideLegCm cm, above 10
 * @param lengthCm length of one pad, cm, above 1
 * @example layPads(81, 15) // 5 pads, overlap 1.0 cm
 */
export function layPads(insideLegCm: number, lengthCm: number): PadLayout {
  const coveredCm = Math.max(0, insideLegCm - uncoveredCm)
  const count = Math.max(1, Math.ceil((coveredCm - edgeCm) / (lengthCm - edgeCm) - 1e-9))
  const overlapCm = count > 1 ? (count * lengthCm - coveredCm) / (count - 1) : 0
  const startOf = (index: number): number => uncoveredCm + index * (lengthCm - overlapCm)
  const lower = Array.from({ length: count - 1 }, (_, index) => startOf(index) + lengthCm / 2)
  const top = startOf(count - 1)
  return { count, lengthCm, overlapCm, strapsCm: [...lower, top + lengthCm / 3, top + (2 * lengthCm) / 3] }
}

/** Decides `pads` and `strap-places` from the stocked pad whose overlap is right, else the usual one. */
export function decidePads(draft: PlanDraft, inside: Estimate): PadLayout {
  const isPad = (item: { item?: string; lengthCm?: number }): boolean => item.item === 'sling-pad' && (item.lengthCm ?? 0) > edgeCm
  const { inStock } = draft.stock(isPad)
  if (inStock.length === 0) {
    draft.caution({
      level: 'caution',
      code: 'not-in-stock',
      decisions: ['pads'],
      steps: ['build'],
      text: 'No sling pad is in stock: the number is for the usual length.',
      why: 'None is listed as present.',
    })
  }
  const lengths = inStock.length > 0 ? inStock.map((item) => item.lengthCm ?? usualPadCm) : [usualPadCm]
  const layouts = lengths.map((lengthCm) => layPads(inside.value, lengthCm))
  const isRight = (layout: PadLayout): boolean =>
    layout.count === 1 || (layout.overlapCm >= overlapRange[0] - 1e-9 && layout.overlapCm <= overlapRange[1] + 1e-9)
  const best =
    [...layouts].sort((a, b) => Number(isRight(b)) - Number(isRight(a)) || a.count - b.count)[0] ?? layPads(inside.value, usualPadCm)
  if (!isRight(best)) {
    draft.caution({
      level: 'caution',
      code: 'pad-overlap',
      lasts: true,
      decisions: ['pads'],
      steps: ['build'],
      text: 'Even the pads out by hand, or mix lengths.',
      why: `They overlap ${best.overlapCm.toFixed(1)} cm; under 1 cm tissue bulges between them, over 3 cm they press.`,
    })
  }
  draft.decide({
    id: 'pads',
    value: best.count,
    display: `${best.count} of ${best.lengthCm} cm, overlapping ${best.overlapCm.toFixed(1)} cm`,
    source: 'practice',
    formula: 'To cover inside leg − 10 cm with overlaps of at least 1 cm: (L − 1) ÷ (pad length − 1), rounded up.',
    working: [
      workingOf(inside),
      { label: 'Pad length', value: best.lengthCm, unit: 'cm', from: 'default' },
      { label: 'Overlap', value: best.overlapCm, unit: 'cm', from: 'computed' },
    ],
  })
  draft.material({
    id: 'sling-pads',
    item: 'sling-pad',
    widthCm: null,
    lengthCm: best.lengthCm,
    rolls: null,
    layers: null,
    pieces: best.count,
    note: `${best.count} pads, edge over edge, from the far end`,
  })
  const strapsCm = draft.decide({
    id: 'strap-places',
    value: best.strapsCm,
    source: 'practice',
    formula: 'The middle of each pad; two on the top pad, at a third and at two thirds.',
    working: [{ label: 'Pads', value: best.count, unit: null, from: 'computed' }],
  })
  return { ...best, strapsCm }
}
