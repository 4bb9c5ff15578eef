import type { LegModel } from '../../figures/body/leg-model'
import type { WorkingLine } from '../../model/decision'
import type { PlanDraft } from '../../planner/draft'
import { decideSlabWidth } from '../families/slab/decide-slab-width'
import { allowed, openGap, widestSlab, type SlabStation } from '../../figures/slabs/slab-width'
import { greatestGirthGrowth } from '../../figures/swelling/girth-growth'
import { girthWorking, paddedAt } from '../families/wraps/leg-wraps'
import type { OptionValues } from '../../planner/technique'

const limiting = ['ankle', 'calf', 'below-knee'] as const
const leastCoverage = 0.7
const narrowShare = 0.55

export interface JointFit {
  readonly slabCm: number
  readonly stirrupCm: number
  readonly stations: readonly SlabStation[]
}

/**
 * Decides `slab-width`, `stirrup-width` and their joint `coverage`: only the open front is bounded, so
 * neither may be wider than C′ − g, the stirrup than half of it; the narrow school keeps the slab to 0.55 of the ankle.
 */
export function decideJointWidths(draft: PlanDraft, model: LegModel, options: OptionValues): JointFit | null {
  const growth = greatestGirthGrowth(draft.clinicalCase, draft.ctx.protocol)
  const stations = limiting.map((id): SlabStation => {
    const paddedGirthCm = paddedAt(draft, model.stations[id])
    return { id, label: id.replaceAll('-', ' '), paddedGirthCm, gapCm: openGap(paddedGirthCm, growth, false) }
  })
  const widest = widestSlab(stations)
  const ankleCm = stations[0]?.paddedGirthCm ?? 0
  const isNarrow = options['slab-width-rule'] !== 'widest'
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
  const common = { item: 'fibreglass-slab', limitedAt: widest.limiting.label, working }
  const slab = decideSlabWidth(draft, {
    ...common,
    decision: 'slab-width',
    widestCm: isNarrow ? Math.min(widest.widthCm, narrowShare * ankleCm) : widest.widthCm,
    greatestCm: widest.widthCm,
    school: isNarrow ? 'Narrow: the stirrup holds the sides' : 'Widest that leaves the front open',
    formula: isNarrow
      ? 'The widest stocked of at most 0.55 of the ankle over padding and of girth less the gap; where none is so narrow, the narrowest.'
      : 'Girth over padding less the gap to leave, least over ankle, calf and below-knee; the widest stocked no wider than that.',
  })
  const stirrup = decideSlabWidth(draft, {
    ...common,
    decision: 'stirrup-width',
    widestCm: widest.widthCm / 2,
    school: null,
    formula: 'Half of girth over padding less the gap, least over ankle, calf and below-knee; the widest stocked no wider than that.',
  })
  if (!slab || !stirrup) return null
  decideCoverage(draft, stations, slab.widthCm, stirrup.widthCm)
  return { slabCm: slab.widthCm, stirrupCm: stirrup.widthCm, stations }
}

/**
 * How much of the girth slab and stirrup cover together, cm: half the slab from the back to each side, and the stirrup about a quarter of
 * the girth round; where they overlap it counts once.
 */
export function jointlyCovered(paddedGirthCm: number, slabCm: number, stirrupCm: number): number {
  const [back, from, to] = [slabCm / 2, paddedGirthCm / 4 - stirrupCm / 2, paddedGirthCm / 4 + stirrupCm / 2]
  const side = from > back ? back + (to - from) : Math.max(back, to)
  return 2 * Math.min(paddedGirthCm / 2, side)
}

function decideCoverage(draft: PlanDraft, stations: readonly SlabStation[], slabCm: number, stirrupCm: number): void {
  const covered = stations.map((station) => ({
    station,
    share: Math.min(
      1 - station.gapCm / station.paddedGirthCm,
      jointlyCovered(station.paddedGirthCm, slabCm, stirrupCm) / station.paddedGirthCm,
    ),
  }))
  const least = covered.reduce((a, b) => (b.share < a.share ? b : a))
  if (least.share < leastCoverage) {
    draft.caution({
      level: 'caution',
      code: 'poor-side-control',
      decisions: ['coverage', 'stirrup-width'],
      steps: ['cut-slab'],
      text: 'Take a wider stirrup or slab if one can be had, or accept less side control and say so.',
      why: `Slab and stirrup cover ${(100 * least.share).toFixed(0)} % at the ${least.station.label}; under 70 % the ankle still tilts.`,
    })
  }
  draft.decide({
    id: 'coverage',
    value: least.share,
    display: `${(100 * least.share).toFixed(0)} % at the ${least.station.label}`,
    source: 'practice',
    formula: 'Least over the stations of 1 − gap ÷ girth over padding, and what slab and stirrup cover together ÷ girth.',
    working: [
      { label: 'Slab width', value: slabCm, unit: 'cm', from: 'computed' },
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
