import { isOpenNowOrdered } from '../../model/orders'
import { armGirths } from '../../figures/body/measurements/arm'
import { legGirths } from '../../figures/body/measurements/leg'
import type { Estimate } from '../../figures/body/pool-side'
import { resolveMeasurement } from '../../figures/body/resolve-measurement'
import type { ClinicalCase } from '../../model/clinical-case'
import type { Alternative } from '../../model/decision'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { bodyRegionOf } from '../../model/vocabulary'
import type { Protocol } from '../../quantities/defaults'
import { openingWidth } from '../../figures/body/measurements/opening'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { asEstimate, formatValue } from '../../planner/format-decision'
import { roundUpTo } from '../../quantities/rounding'
import { readDefaults } from '../../quantities/defaults'
import { greatestGirthGrowth } from '../../figures/swelling/girth-growth'
import { hasNoRoom, openingForLimit, pressureUnderShell, roomDefaults, type RoomInput } from '../../figures/swelling/room'
import type { OptionValues } from '../../planner/technique'

const horizonH = 72

/** Opening by the chosen lines when it was not measured, cm. */
function openingOf(draft: PlanDraft, options: OptionValues): { cm: number; estimate: Estimate | null } {
  const estimate = draft.measure(openingWidth)
  return { cm: estimate?.value ?? openingByLines(options['lines'], draft.ctx.protocol), estimate }
}

/** Whether the wait is lifted: open now ordered, or the last round urgent. */
export function isLifted(clinicalCase: ClinicalCase): boolean {
  return isOpenNowOrdered(clinicalCase.orders) || clinicalCase.device?.lastRound === 'urgent'
}

/** Girths under the cast: those of the limb that it is on. */
export function girthsUnder(clinicalCase: ClinicalCase): readonly MeasurementDefinition[] {
  const { region } = clinicalCase.injury
  return region !== undefined && bodyRegionOf(region) === 'arm' ? armGirths : legGirths
}

/**
 * Whether padding is cut unless a person says otherwise: with marked swelling, in an emergency, and where the pressure with the padding kept,
 * the crepe over it, would pass 4 kPa.
 */
export function usualPadding(clinicalCase: ClinicalCase, protocol: Protocol): 'keep' | 'cut' {
  if (clinicalCase.injury.swelling === 'marked' || isLifted(clinicalCase)) return 'cut'
  const girths = girthsUnder(clinicalCase).flatMap((girth) => resolveMeasurement(clinicalCase, girth, protocol).estimate?.value ?? [])
  if (girths.length === 0) return 'keep'
  const room = readDefaults(roomDefaults, protocol)
  const openingCm =
    resolveMeasurement(clinicalCase, openingWidth, protocol).estimate?.value ?? openingByLines(clinicalCase.options['lines'], protocol)
  const kPa = pressureAfter(
    clinicalCase,
    { girthCm: Math.max(...girths), openingCm: room.paddingKeptShare * openingCm, paddingLayers: clinicalCase.device?.paddingLayers ?? 2 },
    protocol,
  )
  return kPa === null || kPa > room.limitKPa ? 'cut' : 'keep'
}

function openingByLines(lines: string | number | undefined, protocol: Protocol): number {
  const room = readDefaults(roomDefaults, protocol)
  return lines === 'single' ? room.singleCm : lines === 'two-halves' ? room.halvesCm : room.stripCm
}

/** Pressure at 72 h under the opened cast with its crepe, kPa; null when the padding is crushed flat. */
function pressureAfter(
  clinicalCase: ClinicalCase,
  input: Pick<RoomInput, 'girthCm' | 'openingCm' | 'paddingLayers'>,
  protocol: Protocol,
): number | null {
  if (input.paddingLayers <= 0) return null
  const growthMax = greatestGirthGrowth(clinicalCase, protocol)
  return pressureUnderShell({ ...input, growthMax, hasCrepe: true, coveredShare: 1 }, horizonH, protocol)
}

/**
 * Decides `room-gained`, `pressure-before` and `pressure-after`: at 72 h, with
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
  const otherCm = isCut ? room.paddingKeptShare * opening.cm : opening.cm
  const otherKPa = pressureAfter(draft.clinicalCase, { girthCm: widest.value, openingCm: otherCm, paddingLayers }, protocol)
  const after = decidePressure(draft, 'pressure-after', { ...base, openingCm: freedCm, hasCrepe: true }, widest, [
    {
      value: otherKPa,
      display: `${describePressure(otherKPa)}, padding ${isCut ? 'kept' : 'cut'}`,
      why: isCut ? 'The padding holds four tenths of the opening back.' : 'Cut to the skin all of the opening counts.',
    },
  ])
  const opened: RoomInput = { ...base, openingCm: freedCm, hasCrepe: true }
  if (after !== null && !hasNoRoom(opened, horizonH, protocol)) {
    if (after > room.limitKPa) warnOpenWider(draft, opened, isCut)
    return
  }
  draft.caution({
    level: 'stop',
    code: 'no-room',
    lasts: true,
    decisions: ['pressure-after'],
    steps: ['lift'],
    text: 'Open wider: two halves, padding cut to the skin, no crepe.',
    why: 'In this estimate the swelling crushes the padding flat within 72 hours all the same.',
  })
}

/** Opened, and still above the limit: how wide brings it there, as it is spread at the edges. */
function warnOpenWider(draft: PlanDraft, opened: RoomInput, isCut: boolean): void {
  const room = readDefaults(roomDefaults, draft.ctx.protocol)
  const freedCm = openingForLimit(opened, horizonH, draft.ctx.protocol)
  const edgesCm = freedCm === null ? null : freedCm / (isCut ? 1 : room.paddingKeptShare)
  const shown = edgesCm === null ? null : formatValue(roundUpTo(edgesCm, 0.1), 'cm')
  draft.caution({
    level: 'caution',
    code: 'open-wider',
    lasts: true,
    decisions: ['pressure-after'],
    at: ['opens'],
    text: shown ? `Spread it to ${shown}${isCut ? '' : ', or cut the padding too'}.` : 'Two halves, padding cut to the skin, no crepe.',
    why: `In this estimate it stays above ${room.limitKPa} kPa as it is opened.`,
  })
}

function describePressure(kPa: number | null): string {
  return kPa === null ? 'no room left' : `${kPa.toFixed(1)} kPa (${(kPa * 7.50062).toFixed(0)} mmHg)`
}

function decidePressure(
  draft: PlanDraft,
  id: string,
  input: RoomInput,
  widest: Estimate,
  alternatives: readonly Alternative[] = [],
): number | null {
  // No padding left: nothing gives, so there is no room at any swelling.
  const kPa = input.paddingLayers > 0 ? pressureUnderShell(input, horizonH, draft.ctx.protocol) : null
  return draft.decide({
    id,
    value: kPa,
    display: asEstimate(describePressure(kPa)),
    ...(alternatives.length > 0 ? { alternatives } : {}),
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
