import type { Estimate } from '../../figures/body/pool-side'
import { openingWidth } from '../../figures/body/measurements/opening'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { readDefaults } from '../../quantities/defaults'
import { greatestGirthGrowth } from '../../figures/swelling/girth-growth'
import { pressureUnderShell, roomDefaults, type RoomInput } from '../../figures/swelling/room'
import type { OptionValues } from '../../planner/technique'

const horizonH = 72

/** Opening by the chosen lines when it was not measured, cm. */
export function openingOf(draft: PlanDraft, options: OptionValues): { cm: number; estimate: Estimate | null } {
  const room = readDefaults(roomDefaults, draft.ctx.protocol)
  const estimate = draft.measure(openingWidth)
  const byLines = options['lines'] === 'single' ? room.singleCm : options['lines'] === 'two-halves' ? room.halvesCm : room.stripCm
  return { cm: estimate?.value ?? byLines, estimate }
}

/**
 * Decides `room-gained`, `pressure-before` and `pressure-after` (COMPUTATION 12, PRECISIONS cast-opening): at 72 h, with
 * the crepe's 0.5 kPa after.
 * @param widest the greatest measured girth, cm
 */
export function decidePressures(draft: PlanDraft, options: OptionValues, widest: Estimate): void {
  const { protocol } = draft.ctx
  const room = readDefaults(roomDefaults, protocol)
  const opening = openingOf(draft, options)
  const isCut = options['padding'] === 'cut'
  const freedCm = isCut ? opening.cm : room.paddingKeptShare * opening.cm
  const paddingLayers = draft.clinicalCase.device?.paddingLayers ?? 2
  draft.decide({
    id: 'room-gained',
    value: freedCm / (2 * Math.PI),
    source: 'model',
    formula: 'Freed opening ÷ 2π: all of it with the padding cut, 0.6 of it with the padding kept.',
    working: [
      opening.estimate ? workingOf(opening.estimate) : { label: 'Opening by the lines', value: opening.cm, unit: 'cm', from: 'default' },
      { label: 'Freed', value: freedCm, unit: 'cm', from: 'computed' },
    ],
  })
  const base = { girthCm: widest.value, growthMax: greatestGirthGrowth(draft.clinicalCase, protocol), paddingLayers, coveredShare: 1 }
  decidePressure(draft, 'pressure-before', { ...base, openingCm: 0, hasCrepe: false }, widest)
  const after = decidePressure(draft, 'pressure-after', { ...base, openingCm: freedCm, hasCrepe: true }, widest)
  if (after !== null) return
  draft.caution({
    level: 'stop',
    code: 'no-room',
    decisions: ['pressure-after'],
    steps: ['lift'],
    text: 'Open wider: two halves, padding cut to the skin, no crepe.',
    why: 'In this estimate the swelling crushes the padding flat within 72 hours all the same.',
  })
}

function decidePressure(draft: PlanDraft, id: string, input: RoomInput, widest: Estimate): number | null {
  // No padding left: nothing gives, so there is no room at any swelling.
  const kPa = input.paddingLayers > 0 ? pressureUnderShell(input, horizonH, draft.ctx.protocol) : null
  return draft.decide({
    id,
    value: kPa,
    display:
      kPa === null ? 'no room left, in this estimate' : `${kPa.toFixed(1)} kPa (${(kPa * 7.50062).toFixed(0)} mmHg), in this estimate`,
    source: 'model',
    formula: `0.8 kPa + 6·x ÷ (1 − x), x being how far the swelling presses the padding together${input.hasCrepe ? '; 0.5 kPa for the crepe' : ''}. It is not compartment pressure.`,
    working: [
      workingOf(widest),
      { label: 'Forecast growth', value: input.growthMax, unit: 'ratio', from: 'computed' },
      { label: 'Padding', value: input.paddingLayers, unit: 'layers', from: 'default' },
      { label: 'Freed opening', value: input.openingCm, unit: 'cm', from: 'computed' },
    ],
  })
}
