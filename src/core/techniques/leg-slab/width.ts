import type { LegModel } from '../../figures/body/leg-model'
import type { LegStationId } from '../../figures/body/leg-template'
import { hasFlag } from '../../model/clinical-case'
import type { Alternative, WorkingLine } from '../../model/decision'
import type { PlanDraft } from '../../planner/draft'
import { decideSlabWidth } from '../families/slab/decide-slab-width'
import { widestOfTwo, type LappedSlabs } from '../../figures/slabs/lap-two'
import { allowed, chooseTaper, openGap, widestSlab, type SlabStation } from '../../figures/slabs/slab-width'
import { greatestGirthGrowth } from '../../figures/swelling/girth-growth'
import { girthWorking, paddedAt } from '../families/wraps/leg-wraps'
import type { OptionValues } from '../../planner/technique'
import { gapAfterFold } from '../../figures/body/measurements/leg'
import { roundUpTo } from '../../quantities/rounding'
import type { Extent } from './options'

const belowKnee: readonly LegStationId[] = ['ankle', 'calf', 'below-knee']
const aboveKnee: readonly LegStationId[] = [...belowKnee, 'knee', 'above-knee', 'mid-thigh']
const leastCoverage = 0.5
const mostFoldCm = 3
const leastOpenCm = 2

export interface SlabFit {
  readonly widthCm: number
  /** The stocked slab it is cut from, cm. */
  readonly fromCm: number
  /** Made of two. */
  readonly lapped: LappedSlabs | null
  readonly coverage: number
  readonly stations: readonly SlabStation[]
  /** Folded away on each side at the ankle, cm. */
  readonly foldCm: number
  /** What stays open at the ankle after folding, cm. */
  readonly gapCm: number
}

/** Stations that limit the slab's width; the foot part folds, so it does not. */
export function limitingStations(extent: Extent): readonly LegStationId[] {
  return extent === 'above-knee' ? aboveKnee : belowKnee
}

/** Decides `slab-width` and `slab-coverage`. */
export function decideWidth(draft: PlanDraft, model: LegModel, options: OptionValues, extent: Extent, item: string): SlabFit | null {
  const { clinicalCase, ctx } = draft
  const growth = greatestGirthGrowth(clinicalCase, ctx.protocol)
  const swelling = clinicalCase.injury.swelling
  const isWide =
    options['front-gap'] === 'by-swelling' && hasFlag(clinicalCase, 'fresh') && (swelling === 'moderate' || swelling === 'marked')
  const stations = limitingStations(extent).map((id): SlabStation => {
    const paddedGirthCm = paddedAt(draft, model.stations[id])
    return { id, label: id.replaceAll('-', ' '), paddedGirthCm, gapCm: openGap(paddedGirthCm, growth, isWide) }
  })
  const isTucked = options['ankle-edge'] !== 'straight'
  const limits = stations.map((station) => (isTucked && station.id === 'ankle' ? beforeFolding(station) : station))
  const widest = widestSlab(limits)
  const width = decideSlabWidth(draft, {
    decision: 'slab-width',
    item,
    widestCm: widest.widthCm,
    limitedAt: widest.limiting.label,
    mayLap: options['pieces'] === 'two-lapped',
    school: isWide ? 'A quarter left open while it swells' : 'Gap by swelling, at least 2 cm',
    formula: isTucked
      ? 'Girth over padding less the gap to leave, least over the stations, at the ankle 6 cm more and at most the girth less 2 cm, since 3 cm a side are folded; the widest stocked slab no wider than that.'
      : 'Girth over padding less the gap to leave, least over the stations; the widest stocked slab no wider than that.',
    working: [
      ...girthWorking(model, limitingStations(extent)),
      { label: 'Padding', value: 2, unit: 'layers', from: 'default' },
      { label: 'Forecast growth', value: growth, unit: 'ratio', from: 'computed' },
      ...limits.map((station): WorkingLine => ({
        label: `Room at the ${station.label}, gap ${station.gapCm.toFixed(1)} cm`,
        value: allowed(station),
        unit: 'cm',
        from: 'computed',
        where: station.id,
      })),
    ],
  })
  if (isWide) checkQuarter(draft, limits, width?.refusedCm ?? width?.widthCm ?? 0)
  if (!width) return null
  if (options['pieces'] === 'two-lapped' && !width.lapped) noteOneIsEnough(draft, width.widthCm)
  const coverage = decideCoverage(draft, stations, { widthCm: width.widthCm, widestCm: widest.widthCm, stockedCm: slabWidths(draft, item) })
  const gapCm = stations[0]?.gapCm ?? 0
  const foldCm = decideFold(draft, stations[0] ?? null, isTucked ? width.widthCm : null)
  if (isTucked && stations[0]) judgeGapByFold(draft, stations[0], width.widthCm, foldCm)
  judgeGapAfterFold(draft, gapCm)
  return { ...width, coverage, stations, foldCm, gapCm }
}

/** The ankle as it limits a slab whose edges are nicked and folded there, 3 cm a side at most. */
function beforeFolding(ankle: SlabStation): SlabStation {
  const widthCm = Math.min(allowed(ankle) + 2 * mostFoldCm, ankle.paddedGirthCm - leastOpenCm)
  return { ...ankle, label: 'ankle before folding', gapCm: ankle.paddedGirthCm - widthCm }
}

/** Decides `ankle-fold`: how much of each side is folded away at the ankle, cm; 0 where the edge stays straight. */
function decideFold(draft: PlanDraft, ankle: SlabStation | null, tuckedCm: number | null): number {
  const excessCm = ankle && tuckedCm !== null ? tuckedCm - allowed(ankle) : 0
  return draft.decide({
    id: 'ankle-fold',
    value: roundUpTo(Math.max(0, excessCm / 2), 0.5),
    source: 'practice',
    school: tuckedCm === null ? 'Straight edge' : 'Nicked and folded at the ankle',
    formula: 'Half of what the slab is wider than girth over padding less the gap at the ankle, up to the next 0.5 cm.',
    working: [
      ...(tuckedCm === null ? [] : [{ label: 'Slab width', value: tuckedCm, unit: 'cm', from: 'computed' as const }]),
      ...(ankle
        ? [{ label: 'Room at the ankle after folding', value: allowed(ankle), unit: 'cm', from: 'computed' as const, where: 'ankle' }]
        : []),
    ],
  })
}

/** What the fold in force leaves open at the ankle, whoever chose it: a floor. */
function judgeGapByFold(draft: PlanDraft, ankle: SlabStation, widthCm: number, foldCm: number): void {
  const openCm = ankle.paddedGirthCm - widthCm + 2 * foldCm
  if (openCm >= ankle.gapCm - 1e-9) return
  draft.caution({
    level: 'stop',
    isFloor: true,
    code: 'front-gap',
    decisions: ['ankle-fold'],
    steps: ['cut-slab', 'fold'],
    text: `Fold more at the ankle, or cut it narrower: ${ankle.gapCm.toFixed(1)} cm stay open there.`,
    why: `Folded ${foldCm.toFixed(1)} cm a side, ${widthCm.toFixed(1)} cm of slab leave ${openCm.toFixed(1)} cm open of ${ankle.paddedGirthCm.toFixed(1)}.`,
  })
}

/** What was measured open after folding, against the gap that has to stay. */
function judgeGapAfterFold(draft: PlanDraft, gapCm: number): void {
  const measured = draft.measure(gapAfterFold)
  if (!measured || measured.value >= gapCm - 1e-9) return
  draft.caution({
    level: 'stop',
    isFloor: true,
    code: 'front-gap',
    decisions: ['ankle-fold'],
    steps: ['fold'],
    text: `Fold further, or trim: ${gapCm.toFixed(1)} cm stay open at the ankle.`,
    why: `After folding ${measured.value.toFixed(1)} cm are open; the front is the room for swelling and the release line.`,
  })
}

/** A quarter of the girth stays open while a fresh injury swells: a floor, whoever chose the width. */
function checkQuarter(draft: PlanDraft, stations: readonly SlabStation[], widthCm: number): void {
  const tight = stations.find((station) => widthCm > allowed(station) + 1e-9)
  if (!tight) return
  draft.caution({
    level: 'stop',
    isFloor: true,
    code: 'front-gap',
    decisions: ['slab-width'],
    steps: ['cut-slab', 'bandage'],
    text: `Cut it to ${allowed(tight).toFixed(1)} cm or less: a quarter of the girth stays open while it swells.`,
    why: `At the ${tight.label} ${widthCm.toFixed(1)} cm of slab leave ${(tight.paddedGirthCm - widthCm).toFixed(1)} cm open of ${tight.paddedGirthCm.toFixed(1)}; ${tight.gapCm.toFixed(1)} cm are the least.`,
  })
}

/** Two were asked for, and one is as wide as may be. */
function noteOneIsEnough(draft: PlanDraft, widthCm: number): void {
  draft.caution({
    level: 'note',
    code: 'one-slab',
    decisions: ['slab-width'],
    steps: ['cut-slab'],
    text: `One slab of ${widthCm.toFixed(1)} cm is enough: two would be no wider.`,
    why: 'The gap to leave sets the width, not what is stocked.',
  })
}

function decideCoverage(
  draft: PlanDraft,
  stations: readonly SlabStation[],
  { widthCm, widestCm, stockedCm }: { readonly widthCm: number; readonly widestCm: number; readonly stockedCm: readonly number[] },
): number {
  const judged = stations
    .filter((station) => belowKnee.includes(station.id as LegStationId))
    .reduce((widest, one) => (one.paddedGirthCm > widest.paddedGirthCm ? one : widest))
  const coverage = widthCm / judged.paddedGirthCm
  const taper = coverage < leastCoverage ? chooseTaper(judged, stockedCm, leastCoverage) : null
  const two = coverage < leastCoverage && !taper ? widestOfTwo(widestCm, stockedCm) : null
  const alternatives: Alternative[] = taper
    ? [
        {
          value: taper.widthCm,
          display: `Tapered from the ${taper.fromCm} cm slab`,
          why: `Cut to the gap at every station it covers ${((100 * taper.widthCm) / judged.paddedGirthCm).toFixed(0)} % at the ${judged.label}.`,
        },
      ]
    : []
  if (coverage < leastCoverage) {
    draft.caution({
      level: 'caution',
      code: 'poor-side-control',
      decisions: ['slab-coverage', 'slab-width'],
      steps: ['cut-slab'],
      text: taper
        ? `Cut a taper from the ${taper.fromCm} cm slab for more side control.`
        : two && two.widthCm > widthCm
          ? `Choose two slabs of ${two.pieceCm} cm, lapped ${two.lapCm.toFixed(1)} cm: ${two.widthCm.toFixed(1)} cm together. Or add a stirrup.`
          : 'Add a stirrup, or accept less side control and say so.',
      why: `The slab covers ${(100 * coverage).toFixed(0)} % at the ${judged.label}; under half, the sides give way. The open front comes first.`,
    })
  }
  draft.decide({
    id: 'slab-coverage',
    value: coverage,
    source: 'practice',
    display: `${(100 * coverage).toFixed(0)} % at the ${judged.label}`,
    formula: 'Slab width ÷ girth over padding at the widest station of the lower leg.',
    working: [
      { label: 'Slab width', value: widthCm, unit: 'cm', from: 'computed' },
      { label: `Girth over padding, ${judged.label}`, value: judged.paddedGirthCm, unit: 'cm', from: 'computed', where: judged.id },
    ],
    ...(alternatives.length > 0 ? { alternatives } : {}),
  })
  return coverage
}

function slabWidths(draft: PlanDraft, item: string): readonly number[] {
  return draft.stock((one) => one.item === item && (one.widthCm ?? 0) > 0).inStock.flatMap((one) => one.widthCm ?? [])
}
