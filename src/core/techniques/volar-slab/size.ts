import type { ArmModel } from '../../figures/body/arm-model'
import type { Estimate } from '../../figures/body/pool-side'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { roundDownTo, roundUpTo } from '../../quantities/rounding'
import { decideSlabWidth } from '../families/slab/decide-slab-width'
import { armGirthWorking } from '../families/wraps/arm-wraps'
import { paddedAt } from '../families/wraps/leg-wraps'

const widestShare = 0.5
const leastShare = 0.38
const handBreadthPerGirth = 2.4
const thumbClearCm = 0.5

/** Decides `slab-length`: the longer palm path, up to the next 0.5 cm. */
export function decideVolarLength(draft: PlanDraft, index: Estimate | null, little: Estimate | null): number | null {
  if (!index || !little) return null
  const longer = index.value >= little.value ? index : little
  return draft.decide({
    id: 'slab-length',
    value: roundUpTo(longer.value, 0.5),
    sd: longer.sd,
    source: 'practice',
    formula: 'The longer of the two palm paths, up to the next 0.5 cm.',
    working: [workingOf(index), workingOf(little)],
  })
}

/** Decides `end-slant`: how much the hand end is cut at an angle. */
export function decideSlant(draft: PlanDraft, index: Estimate | null, little: Estimate | null, model: ArmModel): void {
  if (!index || !little) return
  const acrossCm = model.stations.hand.girthCm / handBreadthPerGirth
  draft.decide({
    id: 'end-slant',
    value: (Math.atan(Math.abs(index.value - little.value) / acrossCm) * 180) / Math.PI,
    source: 'practice',
    formula: 'Arc tangent of the difference of the two palm paths ÷ breadth of the hand (its girth ÷ 2.4).',
    working: [
      workingOf(index),
      workingOf(little),
      { label: 'Breadth of the hand', value: acrossCm, unit: 'cm', from: 'computed', where: 'hand' },
    ],
  })
}

/**
 * Decides `slab-width`: the widest stocked slab of at most half, and at least 0.38, of the mid-forearm girth over
 * padding. Where none lies between, a wider one is trimmed to half.
 */
export function decideVolarWidth(draft: PlanDraft, model: ArmModel, item: string): { widthCm: number; fromCm: number } | null {
  const padded = paddedAt(draft, model.stations['mid-forearm'])
  const [widestCm, leastCm] = [widestShare * padded, leastShare * padded]
  const stocked = draft.stock((one) => one.item === item && (one.widthCm ?? 0) > 0).inStock.map((one) => one.widthCm ?? 0)
  const isInBand = stocked.some((width) => width <= widestCm + 1e-9 && width >= leastCm - 1e-9)
  const wider = stocked.filter((width) => width > widestCm)
  const working = [
    ...armGirthWorking(model),
    { label: 'Girth over padding, mid-forearm', value: padded, unit: 'cm', from: 'computed' as const, where: 'mid-forearm' },
    { label: 'At least', value: leastCm, unit: 'cm', from: 'computed' as const },
    { label: 'At most', value: widestCm, unit: 'cm', from: 'computed' as const },
  ]
  const formula = 'The widest stocked slab of at most half, and at least 0.38, of the mid-forearm girth over padding.'
  if (stocked.length > 0 && !isInBand && wider.length > 0 && wider.length < stocked.length) {
    const fromCm = Math.min(...wider)
    const trimmedCm = roundDownTo(widestCm, 0.5)
    draft.caution({
      level: 'caution',
      code: 'no-slab-width',
      lasts: true,
      decisions: ['slab-width'],
      steps: ['cut-slab'],
      text: `Trim the ${fromCm} cm slab to ${trimmedCm.toFixed(1)} cm.`,
      why: 'The stocked ones are either too narrow to hold the wrist or wider than half the forearm.',
    })
    const widthCm = draft.decide({
      id: 'slab-width',
      value: trimmedCm,
      source: 'practice',
      formula,
      working,
    })
    return { widthCm, fromCm }
  }
  const width = decideSlabWidth(draft, {
    decision: 'slab-width',
    item,
    widestCm,
    limitedAt: 'mid-forearm',
    school: null,
    formula,
    working,
  })
  if (width && width.widthCm < leastCm - 1e-9) {
    draft.caution({
      level: 'caution',
      code: 'no-slab-width',
      lasts: true,
      decisions: ['slab-width'],
      steps: ['cut-slab'],
      text: 'Fetch a wider slab, or lay two side by side and say so.',
      why: `${width.widthCm} cm cover ${((100 * width.widthCm) / padded).toFixed(0)} % of the mid-forearm; under 38 % the wrist turns in it.`,
    })
  }
  return width
}

/** Decides `thumb-notch`, the radius of the half-moon; a note when the thumb was not measured. */
export function decideNotch(draft: PlanDraft, thumb: Estimate | null): number | null {
  if (!thumb) {
    draft.caution({
      level: 'note',
      code: 'check-reading',
      decisions: ['template'],
      steps: ['cut-slab'],
      text: 'Thumb girth was not read: cut the half-moon by eye, roomy.',
      why: 'A tight thumb hole strangles as the hand swells.',
    })
    return null
  }
  return draft.decide({
    id: 'thumb-notch',
    value: thumb.value / (2 * Math.PI) + thumbClearCm,
    sd: thumb.sd / (2 * Math.PI),
    source: 'practice',
    formula: 'Thumb girth ÷ 2π + 0.5 cm.',
    working: [workingOf(thumb), { label: 'Room round the thumb', value: thumbClearCm, unit: 'cm', from: 'default' }],
  })
}
