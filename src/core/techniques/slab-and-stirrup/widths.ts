import type { LegModel } from '../../figures/body/leg-model'
import type { WorkingLine } from '../../model/decision'
import type { PlanDraft } from '../../planner/draft'
import { decideSlabWidth } from '../families/slab/decide-slab-width'
import { allowed, openGap, widestSlab, type SlabStation } from '../../figures/slabs/slab-width'
import { greatestGirthGrowth } from '../../figures/swelling/girth-growth'
import { girthWorking, paddedAt } from '../families/wraps/leg-wraps'

const limiting = ['ankle', 'calf', 'below-knee'] as const
const leastCoverage = 0.7

export interface JointFit {
  readonly slabCm: number
  readonly stirrupCm: number
  readonly stations: readonly SlabStation[]
}

/**
 * Decides `slab-width`, `stirrup-width` and their joint `coverage` (COMPUTATION 4): they overlap each other and only
 * the open front is bounded, so width_slab ≤ C′ − g and width_stirrup ≤ (C′ − g)/2.
 */
export function decideJointWidths(draft: PlanDraft, model: LegModel): JointFit | null {
  const growth = greatestGirthGrowth(draft.clinicalCase, draft.ctx.protocol)
  const stations = limiting.map((id): SlabStation => {
    const paddedGirthCm = paddedAt(draft, model.stations[id])
    return { id, label: id.replaceAll('-', ' '), paddedGirthCm, gapCm: openGap(paddedGirthCm, growth, false) }
  })
  const widest = widestSlab(stations)
  const working: readonly WorkingLine[] = [
    ...girthWorking(model, limiting),
    { label: 'Forecast growth', value: growth, unit: 'ratio', from: 'computed' },
    ...stations.map((station): WorkingLine => ({
      label: `Room at the ${station.label}, gap ${station.gapCm.toFixed(1)} cm`,
      value: allowed(station),
      unit: 'cm',
      from: 'computed',
      where: station.id,
    })),
  ]
  const common = { item: 'fibreglass-slab', limitedAt: widest.limiting.label, school: null, working }
  const slab = decideSlabWidth(draft, {
    ...common,
    decision: 'slab-width',
    widestCm: widest.widthCm,
    formula: 'Girth over padding less the gap to leave, least over ankle, calf and below-knee; the widest stocked no wider than that.',
  })
  const stirrup = decideSlabWidth(draft, {
    ...common,
    decision: 'stirrup-width',
    widestCm: widest.widthCm / 2,
    formula: 'Half of girth over padding less the gap, least over ankle, calf and below-knee; the widest stocked no wider than that.',
  })
  if (!slab || !stirrup) return null
  decideCoverage(draft, stations, stirrup.widthCm)
  return { slabCm: slab.widthCm, stirrupCm: stirrup.widthCm, stations }
}

function decideCoverage(draft: PlanDraft, stations: readonly SlabStation[], stirrupCm: number): void {
  const covered = stations.map((station) => ({
    station,
    share: Math.min(1 - station.gapCm / station.paddedGirthCm, (station.paddedGirthCm / 2 + stirrupCm) / station.paddedGirthCm),
  }))
  const least = covered.reduce((a, b) => (b.share < a.share ? b : a))
  if (least.share < leastCoverage) {
    draft.caution({
      level: 'caution',
      code: 'poor-side-control',
      decisions: ['coverage', 'stirrup-width'],
      steps: ['cut-slab'],
      text: 'Take a wider stirrup if one can be had, or accept less side control and say so.',
      why: `Slab and stirrup cover ${(100 * least.share).toFixed(0)} % at the ${least.station.label}; under 70 % the ankle still tilts.`,
    })
  }
  draft.decide({
    id: 'coverage',
    value: least.share,
    display: `${(100 * least.share).toFixed(0)} % at the ${least.station.label}`,
    source: 'practice',
    formula: 'Least over the stations of 1 − gap ÷ girth over padding, and half the girth plus stirrup width ÷ girth.',
    working: [
      { label: 'Stirrup width', value: stirrupCm, unit: 'cm', from: 'computed' },
      ...covered.map((one): WorkingLine => ({
        label: `Covered at the ${one.station.label}`,
        value: one.share,
        unit: 'ratio',
        from: 'computed',
        where: one.station.id,
      })),
    ],
  })
}
