import { isPlaster } from '../../figures/setting-time/working-time'
import { closeShare, layersLess, layersMore, segmentLength, windRolls, type WoundRoll } from '../../figures/wraps/wind-rolls'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import type { StockItem } from '../../model/clinical-case'
import type { WorkingLine } from '../../model/decision'
import type { RollRun } from '../../model/roll-run'
import type { PlanDraft } from '../../planner/draft'
import type { OverruleRange } from '../../planner/overruled-range'
import { readDefaults } from '../../quantities/defaults'
import { stockedRolls } from '../families/wraps/decide-rolls'
import { girthWorking } from '../families/wraps/leg-wraps'
import { zonesOf, type CastRoll, type CastRolls, type RollQuestion, type Zone } from './roll-zones'

/** Rolls of one width for a zone. */
interface ZoneRolls {
  readonly widthCm: number
  /** As it lies, stretched, cm. */
  readonly rollLengthCm: number
  readonly packLengthCm: number
  readonly needCm: number
  readonly count: number
}

/**
 * Plans every roll of a cast, from where to where, and decides `rolls-lower`, `rolls-thigh` and `rolls` by it: each zone is wound to and
 * fro with rolls of its own until every place has its layers, its turns at the joint counted where they are made, and the thigh lapped onto
 * the lower leg by one pass. Steps, lane, materials and the plan's `rolls` read it. Fewest rolls, then least left over; where a number of
 * rolls is set by hand, the part is wound again with so many.
 * @returns null when no roll of the kind exists at all
 */
export function planRolls(draft: PlanDraft, question: RollQuestion): CastRolls | null {
  const zones = zonesOf(draft, question)
  const lower = decidePart(
    draft,
    question,
    'rolls-lower',
    zones.filter(({ id }) => id !== 'thigh'),
    'foot and lower leg',
  )
  const thigh = question.isLong
    ? decidePart(
        draft,
        question,
        'rolls-thigh',
        zones.filter(({ id }) => id === 'thigh'),
        'over the knee to the groin',
      )
    : []
  if (!lower || !thigh) return null
  draft.decide({
    id: 'rolls',
    value: lower.length + thigh.length,
    source: 'practice',
    formula: 'Rolls of the lower part and of the thigh together.',
    working: [
      { label: 'Foot and lower leg', value: lower.length, unit: 'rolls', from: 'computed' },
      ...(question.isLong ? [{ label: 'Thigh', value: thigh.length, unit: 'rolls', from: 'computed' as const }] : []),
      { label: 'Layers', value: question.layers, unit: 'layers', from: 'computed' },
    ],
  })
  return { lower, thigh }
}

function decidePart(
  draft: PlanDraft,
  { material, layers, model }: RollQuestion,
  decision: 'rolls-lower' | 'rolls-thigh',
  zones: readonly Zone[],
  note: string,
): readonly CastRoll[] | null {
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const item = isPlaster(material) ? 'plaster-roll' : 'fibreglass-roll'
  const stretch = isPlaster(material) ? 1 : wrap.fibreglassStretch
  const stocked = stockedRolls(draft, { item, decision })
  const choices = zones.map((zone) => choicesFor(zone, layers, stocked, stretch))
  if (choices.some((list) => list.length === 0)) return null
  const chosen = zones.map((zone, index) => ({ zone, rolls: choices[index]![0]! }))
  const planned = chosen.reduce((sum, { rolls }) => sum + rolls.count, 0)
  const counts = (total: number): readonly number[] =>
    shareOut(
      chosen.map(({ rolls }) => rolls.count),
      total,
    )
  const layersWith = (total: number): readonly number[] =>
    chosen.map(({ zone, rolls }, index) => layersOf(zone, rolls, counts(total)[index] ?? 0, layers))
  const isOverruled = draft.clinicalCase.overrules.some((one) => one.decision === decision)
  const total = draft.decide({
    id: decision,
    value: planned,
    display: describe(chosen.map(({ rolls }) => rolls)),
    ...(isOverruled ? { range: rangeOf(planned, layers, layersWith) } : {}),
    source: 'practice',
    formula:
      'Zone by zone, to and fro until every place has its layers: area × layers ÷ width × take-up, the turns at ankle and knee, and one pass of lap; fewest rolls, then least left over.',
    working: [
      { label: 'Layers', value: layers, unit: 'layers', from: 'computed' },
      ...chosen.flatMap(({ zone, rolls }, index): readonly WorkingLine[] => [
        { label: `Length, ${zone.id}, ${rolls.widthCm} cm wide`, value: rolls.needCm, unit: 'cm', from: 'computed' },
        ...choices[index]!.slice(1).map((other): WorkingLine => ({
          label: `Instead, ${zone.id}, ${other.widthCm} cm wide`,
          value: other.count,
          unit: 'rolls',
          from: 'computed',
        })),
      ]),
      ...girthWorking(model),
    ],
  })
  const laid = chosen.map(({ zone, rolls }, index) => {
    const count = total === planned ? rolls.count : (counts(total)[index] ?? 0)
    return { zone, rolls: { ...rolls, count }, layers: total === planned ? layers : layersOf(zone, rolls, count, layers) }
  })
  for (const { widthCm, packLengthCm, count } of byWidth(laid.map(({ rolls }) => rolls))) {
    draft.material({ id: `${decision}-${widthCm}`, item, widthCm, lengthCm: packLengthCm, rolls: count, layers, note })
  }
  return laid.flatMap(({ zone, rolls, layers: each }) => lay(zone, rolls, each, stretch))
}

/** Every stocked width that suits a zone, the best first; where none suits, those nearest to it. */
function choicesFor(zone: Zone, layers: number, stocked: readonly StockItem[], stretch: number): readonly ZoneRolls[] {
  const [least, greatest] = zone.widthsCm
  const outside = (widthCm: number): number => Math.max(0, least - widthCm, widthCm - greatest)
  const rolls = stocked.flatMap(({ widthCm = 0, lengthCm = 0 }) => (widthCm > 0 && lengthCm > 0 ? [{ widthCm, lengthCm }] : []))
  const nearest = Math.min(...rolls.map(({ widthCm }) => outside(widthCm)))
  return rolls
    .filter(({ widthCm }) => outside(widthCm) === nearest)
    .map(({ widthCm, lengthCm }): ZoneRolls => {
      const limb = zone.limb(widthCm)
      const needCm = zone.segments(layers).reduce((sum, segment) => sum + segmentLength(limb, segment), 0)
      const rollLengthCm = lengthCm * stretch
      const count = Math.max(1, Math.ceil(needCm / (rollLengthCm * (1 + closeShare)) - 1e-9))
      return { widthCm, packLengthCm: lengthCm, rollLengthCm, needCm, count }
    })
    .sort((a, b) => a.count - b.count || leftOver(a) - leftOver(b))
}

function leftOver({ count, rollLengthCm, needCm, widthCm }: ZoneRolls): number {
  return (count * rollLengthCm - needCm) * widthCm
}

/** Rolls of several zones when there are so many in all: the foot keeps its own, the last zone has the rest, each at least one. */
function shareOut(planned: readonly number[], total: number): readonly number[] {
  let left = total
  return planned.map((count, index) => {
    const after = planned.length - index - 1
    const given = after === 0 ? Math.max(0, left) : Math.max(0, Math.min(count, left - after))
    left -= given
    return given
  })
}

/** The layers that so many rolls leave on a zone, whole, at least one; those wanted where it comes out at them. */
function layersOf(zone: Zone, rolls: ZoneRolls, count: number, wanted: number): number {
  const limb = zone.limb(rolls.widthCm)
  const needs = (layers: number): number => zone.segments(layers).reduce((sum, segment) => sum + segmentLength(limb, segment), 0)
  const isEnough = (layers: number): boolean => needs(layers) <= count * rolls.rollLengthCm * (1 + closeShare) + 1e-6
  if (isEnough(wanted) && count === rolls.count) return wanted
  let layers = 1
  while (layers < wanted + 12 && isEnough(layers + 1)) layers++
  return isEnough(1) ? layers : 0
}

/** Rolls that keep every place within its layers; beyond it bands of the limb lie half bare, or it gets too hot and heavy. */
function rangeOf(planned: number, layers: number, layersWith: (total: number) => readonly number[]): OverruleRange {
  let [least, most] = [planned, planned]
  while (least > 1 && layersWith(least - 1).every((each) => each >= layers - layersLess)) least--
  while (most < planned + 6 && layersWith(most + 1).every((each) => each <= layers + layersMore)) most++
  return {
    usual: [least, most],
    safe: [Math.max(1, Math.ceil(planned / 2)), planned * 2],
    harm: {
      less: 'Too few layers somewhere: it bends or breaks there, and the break moves.',
      more: 'Thicker than planned for: it gets hotter while it sets, and heavy.',
    },
  }
}

/** The rolls of one zone, laid one after the other. */
function lay(zone: Zone, { widthCm, rollLengthCm, count }: ZoneRolls, layers: number, stretch: number): readonly CastRoll[] {
  if (count === 0) return []
  const limb = zone.limb(widthCm)
  const segments = zone.segments(Math.max(1, layers))
  const needCm = segments.reduce((sum, segment) => sum + segmentLength(limb, segment), 0)
  // A little closer, where that makes it come out with whole rolls; too few rolls leave the end bare.
  const isClose = needCm <= count * rollLengthCm * (1 + closeShare) + 1e-6
  const eachCm = isClose ? Math.max(rollLengthCm, needCm / count) : rollLengthCm
  return windRolls(limb, segments, eachCm)
    .slice(0, count)
    .map((roll): CastRoll => ({ zone: zone.id, widthCm, runs: runsOf(zone, roll, stretch) }))
}

function runsOf({ axis, station }: Zone, { parts, restCm }: WoundRoll, stretch: number): readonly Omit<RollRun, 'id'>[] {
  return parts.map(({ segment, lengthCm }, index) => ({
    axis,
    ...('turns' in segment
      ? { fromCm: segment.atCm, toCm: segment.atCm, layers: 0, turnsAt: [{ station, turns: Math.round(segment.turns * 10) / 10 }] }
      : { fromCm: segment.fromCm, toCm: segment.toCm, layers: segment.layers, turnsAt: [] }),
    lengthCm: lengthCm / stretch,
    restCm: index === parts.length - 1 ? restCm / stretch : 0,
  }))
}

function byWidth(rolls: readonly ZoneRolls[]): readonly ZoneRolls[] {
  const widths = new Map<number, ZoneRolls>()
  for (const one of rolls) {
    const same = widths.get(one.widthCm)
    widths.set(one.widthCm, same ? { ...same, count: same.count + one.count } : one)
  }
  return [...widths.values()].filter(({ count }) => count > 0)
}

function describe(rolls: readonly ZoneRolls[]): string {
  return byWidth(rolls)
    .map(({ count, widthCm }) => `${count} × ${widthCm} cm`)
    .join(' + ')
}
