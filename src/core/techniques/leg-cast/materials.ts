import type { LegModel } from '../../figures/body/leg-model'
import type { PlanDraft } from '../../planner/draft'
import { clamp } from '../../quantities/rounding'
import { readDefaults } from '../../quantities/defaults'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { layersHold } from '../families/slab/decide-slab-layers'
import { decideLegWrap } from '../families/wraps/leg-wraps'
import { listStockinette } from '../shared/list-stockinette'
import { stockinetteLength, widestGirth } from '../../figures/wraps/stockinette'
import type { RollChoice } from '../../figures/wraps/roll-choice'
import type { OptionValues } from '../../planner/technique'
import { kneeDeg } from './options'

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

/** Decides `padding`: two layers by half overlap, more over bone. */
export function decidePadding(draft: PlanDraft, model: LegModel, isLong: boolean): RollChoice | null {
  return decideLegWrap(draft, model, {
    decision: 'padding',
    item: 'padding-roll',
    top: isLong ? 'groin' : 'below-knee',
    passes: 1,
    isOverPadding: false,
    note: 'two layers by half overlap, more over bone',
  })
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
