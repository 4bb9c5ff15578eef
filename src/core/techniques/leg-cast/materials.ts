import type { LegModel } from '../../figures/body/leg-model'
import type { LegStationId } from '../../figures/body/leg-template'
import type { PlanDraft } from '../../planner/draft'
import { clamp } from '../../quantities/rounding'
import { readDefaults } from '../../quantities/defaults'
import { isPlaster } from '../../figures/setting-time/working-time'
import type { SettingMaterial } from '../../model/setting-material'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { layersHold } from '../families/slab/decide-slab-layers'
import { decideRolls } from '../families/wraps/decide-rolls'
import { decideLegWrap, girthWorking, legRollZones, paddedAt } from '../families/wraps/leg-wraps'
import { listStockinette } from '../shared/list-stockinette'
import { stockinetteLength, widestGirth } from '../../figures/wraps/stockinette'
import { rollReach } from '../../figures/wraps/roll-reach'
import type { RollChoice } from '../../figures/wraps/roll-choice'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import type { OptionValues } from '../../planner/technique'
import { kneeDeg } from './options'

/** One roll as it is laid: its width and the zone it goes on. */
export interface CastRoll {
  readonly widthCm: number | null
  readonly zone: 'foot' | 'leg' | 'thigh'
  /** How far it goes along the limb, cm; null where no roll is chosen yet. */
  readonly reachCm: number | null
}

/** The rolls of a cast in the order of the limb, from the toes up. */
export interface CastRolls {
  readonly lower: readonly CastRoll[]
  readonly thigh: readonly CastRoll[]
}

/** Rolls to speak of before there is a limb to count them for. */
export function usualRolls(isLong: boolean): CastRolls {
  const of = (zone: CastRoll['zone']): CastRoll => ({ widthCm: null, zone, reachCm: null })
  return { lower: [of('foot'), of('leg')], thigh: isLong ? [of('thigh'), of('thigh')] : [] }
}

/** So many rolls, each with its zone: by width, zones of one width in the order of the limb and by the share of length that each needs. */
function rollByRoll(
  choice: RollChoice,
  reachOf: (zone: CastRoll['zone'], widthCm: number, rollLengthCm: number, isFirst: boolean) => number,
): readonly CastRoll[] {
  const seen = new Set<CastRoll['zone']>()
  return choice.rolls
    .flatMap(({ widthCm, rollLengthCm, count }) => {
      const zones = choice.zones.filter((zone) => zone.widthCm === widthCm)
      const total = zones.reduce((sum, zone) => sum + zone.lengthCm, 0)
      return Array.from({ length: count }, (_, index) => {
        const middleCm = ((index + 0.5) / count) * total
        let passed = 0
        const zone = zones.find(({ lengthCm }) => (passed += lengthCm) >= middleCm) ?? zones.at(-1)
        return { widthCm, rollLengthCm, zone: (zone?.zone ?? 'leg') as CastRoll['zone'] }
      })
    })
    .sort((a, b) => zoneOrder.indexOf(a.zone) - zoneOrder.indexOf(b.zone))
    .map(({ widthCm, rollLengthCm, zone }): CastRoll => {
      const isFirst = !seen.has(zone)
      seen.add(zone)
      return { widthCm, zone, reachCm: reachOf(zone, widthCm, rollLengthCm, isFirst) }
    })
}

const zoneOrder: readonly CastRoll['zone'][] = ['foot', 'leg', 'thigh']

/** Places whose girths a roll of a zone goes round. */
const zoneStations: Readonly<Record<CastRoll['zone'], readonly LegStationId[]>> = {
  foot: ['midfoot', 'heel-instep'],
  leg: ['ankle', 'calf', 'below-knee'],
  thigh: ['above-knee', 'mid-thigh', 'groin'],
}

const baseLayers = 7

/** Decides `knee-angle` of a long cast, degrees of bend; 0 below the knee. */
export function decideKnee(draft: PlanDraft, options: OptionValues, isLong: boolean): number {
  if (!isLong) return 0
  const school = String(options['knee'])
  return draft.decide({
    id: 'knee-angle',
    value: kneeDeg[school] ?? 18,
    source: 'practice',
    school: school === 'thirty' ? '30 to 40°, aim 30' : '15 to 20°, aim 18',
    formula: 'The aim of the school; measured with the goniometer while soft.',
    working: [{ label: 'School', value: school, unit: null, from: 'option' }],
  })
}

/** Decides `cast-layers`: 7 (6 to 8) by mass and wear; two more cross the knee of a long cast. */
export function decideCastLayers(draft: PlanDraft): number {
  const limits = readDefaults(layerDefaults, draft.ctx.protocol)
  const { patient, wearDays } = draft.clinicalCase
  const reasons = [
    ...(patient.massKg !== undefined && patient.massKg > limits.heavyKg ? [{ label: `Above ${limits.heavyKg} kg`, change: 1 }] : []),
    ...((wearDays ?? 0) > limits.longWearDays ? [{ label: `Worn more than ${limits.longWearDays} days`, change: 1 }] : []),
    ...(patient.massKg !== undefined && patient.massKg < limits.lightKg ? [{ label: `Under ${limits.lightKg} kg`, change: -1 }] : []),
  ]
  const change = reasons.reduce((sum, reason) => sum + reason.change, 0)
  return draft.decide({
    id: 'cast-layers',
    range: layersHold(change > 0 ? baseLayers : baseLayers - 1),
    value: clamp(baseLayers + change, baseLayers - 1, baseLayers + 1),
    source: 'practice',
    formula: '7 layers, more for weight and long wear, fewer under 35 kg, kept from 6 to 8; two more across the knee.',
    working: [
      { label: 'Base', value: baseLayers, unit: 'layers', from: 'default' },
      ...reasons.map((reason) => ({ label: reason.label, value: reason.change, unit: 'layers', from: 'computed' as const })),
    ],
  })
}

/** Decides `padding`, then `rolls-lower`, `rolls-thigh` and `rolls` (all of them together). */
export function decideCastRolls(
  draft: PlanDraft,
  model: LegModel,
  isLong: boolean,
  material: SettingMaterial,
  layers: number,
): CastRolls | null {
  const top = isLong ? 'groin' : 'below-knee'
  decideLegWrap(draft, model, {
    decision: 'padding',
    item: 'padding-roll',
    top,
    passes: 1,
    isOverPadding: false,
    note: 'two layers by half overlap, more over bone',
  })
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const zones = legRollZones(draft, model, top, true)
  const common = {
    item: isPlaster(material) ? 'plaster-roll' : 'fibreglass-roll',
    passes: layers * (1 - wrap.halfOverlap),
    working: girthWorking(model),
  }
  const lower = decideRolls(draft, {
    ...common,
    decision: 'rolls-lower',
    zones: zones.filter((zone) => zone.id !== 'thigh'),
    note: 'foot and lower leg',
  })
  const thigh = isLong
    ? decideRolls(draft, {
        ...common,
        decision: 'rolls-thigh',
        zones: zones.filter((zone) => zone.id === 'thigh'),
        note: 'over the knee to the groin',
      })
    : null
  if (!lower || (isLong && !thigh)) return null
  const stretch = isPlaster(material) ? 1 : wrap.fibreglassStretch
  const girthOf = (ids: readonly LegStationId[]): number =>
    ids.reduce((sum, id) => sum + paddedAt(draft, model.stations[id]), 0) / ids.length
  const reachOf = (zone: CastRoll['zone'], widthCm: number, rollLengthCm: number, isFirst: boolean): number => {
    const turns = !isFirst
      ? 0
      : zone === 'foot'
        ? wrap.ankleTurns * girthOf(['heel-instep'])
        : zone === 'thigh'
          ? wrap.kneeTurns * girthOf(['knee'])
          : 0
    return rollReach(rollLengthCm, girthOf(zoneStations[zone]), widthCm, wrap.halfOverlap, turns, stretch)
  }
  const counts = { lower: lower.totalRolls, thigh: thigh?.totalRolls ?? 0 }
  const rolls: CastRolls = { lower: rollByRoll(lower, reachOf), thigh: thigh ? rollByRoll(thigh, reachOf) : [] }
  draft.decide({
    id: 'rolls',
    value: counts.lower + counts.thigh,
    source: 'practice',
    formula: 'Rolls of the lower part and of the thigh together.',
    working: [
      { label: 'Foot and lower leg', value: counts.lower, unit: 'rolls', from: 'computed' },
      ...(isLong ? [{ label: 'Thigh', value: counts.thigh, unit: 'rolls', from: 'computed' as const }] : []),
      { label: 'Layers', value: layers, unit: 'layers', from: 'computed' },
    ],
  })
  return rolls
}

/** Whether a stocking goes on: where the padding is laid on one, and supplies allow. */
export function hasStocking(options: OptionValues): boolean {
  return options['padding'] === 'stocking-and-padding' && options['supplies'] !== 'scarce'
}

/** Decides `stocking-length`: covered length and 10 cm more at each end; lists the stocking by the widest girth. */
export function decideStocking(draft: PlanDraft, model: LegModel, isLong: boolean): void {
  const top = model.stations[isLong ? 'groin' : 'below-knee']
  const coveredCm = top.atCm + model.footCm
  const lengthCm = draft.decide({
    id: 'stocking-length',
    value: stockinetteLength(coveredCm, 'turned-over'),
    source: 'practice',
    formula: 'Covered length of foot and leg, and 10 cm more at each end.',
    working: [
      { label: 'Foot', value: model.footCm, unit: 'cm', from: 'computed' },
      { label: 'Heel sole to the top', value: top.atCm, unit: 'cm', from: 'computed', where: top.id },
    ],
  })
  listStockinette(draft, {
    id: 'stocking',
    widestCm: widestGirth(Object.values(model.stations).filter((station) => station.axis === 'foot' || station.atCm <= top.atCm)),
    lengthCm,
    note: 'started high, because it creeps down',
    without: { decision: 'stocking-length', step: 'stocking', text: 'Use padding alone: no stocking of this width is in stock.' },
  })
}
