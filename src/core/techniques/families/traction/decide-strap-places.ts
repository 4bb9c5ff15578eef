import type { PlanDraft } from '../../../planner/draft'
import type { GeometryBand } from '../../../model/geometry'
import { formatValue } from '../../../planner/format-decision'
import { defineDefaults, readDefaults } from '../../../quantities/defaults'
import type { MeasuredSpan } from './measure-span'
import { mostStraps, placeStraps, type StrapPlaces, type Stretch } from '../../../figures/straps/place-straps'

export const strapDefaults = defineDefaults('straps', {
  widthCm: { value: 5, unit: 'cm', source: 'practice' },
  levelClearCm: { value: 5, unit: 'cm', source: 'practice' },
  patellaClearCm: { value: 4, unit: 'cm', source: 'practice' },
  fibularNeckClearCm: { value: 2.5, unit: 'cm', source: 'practice' },
  malleoliClearCm: { value: 2, unit: 'cm', source: 'practice' },
})

/** Stretches of a leg that no strap may touch, with why. */
export function legNoGo(draft: PlanDraft, span: MeasuredSpan): readonly { readonly label: string; readonly stretch: Stretch }[] {
  const clear = readDefaults(strapDefaults, draft.ctx.protocol)
  const around = (label: string, atCm: number, byCm: number) => ({ label, stretch: [atCm - byCm, atCm + byCm] as const })
  const { levelCm } = draft.clinicalCase.injury
  return [
    around('Malleoli', span.footHeightCm, clear.malleoliClearCm),
    around('Fibular neck', 0.88 * span.lowerLegCm, clear.fibularNeckClearCm),
    around('Patella', span.lowerLegCm, clear.patellaClearCm),
    ...(levelCm === null ? [] : [around('Injury', levelCm, clear.levelClearCm)]),
  ]
}

/**
 * Decides `strap-places` for so many straps on a leg, and says how many fit when not all do.
 * @param count straps that the device carries
 * @returns centres in cm from the heel sole, ascending
 */
export function decideStrapPlaces(
  draft: PlanDraft,
  span: MeasuredSpan,
  count: number,
  topCm: number,
  arrangement: StrapArrangement = 'spread',
): readonly number[] {
  const { widthCm } = readDefaults(strapDefaults, draft.ctx.protocol)
  const noGo = legNoGo(draft, span)
  const stretch: Stretch = [0.2 * span.lowerLegCm, topCm]
  const stretches = noGo.map((one) => one.stretch)
  if (draft.clinicalCase.injury.levelCm === null) noteLevelUnknown(draft, ['strap-places'])
  const placed =
    (arrangement === 'two-and-two' ? placeTwoAndTwo(stretch, span.lowerLegCm, widthCm, stretches) : null) ??
    placeStraps(stretch, count, widthCm, stretches)
  const most = placed ? count : mostStraps(stretch, widthCm, stretches)
  if (!placed) {
    draft.caution({
      level: 'caution',
      code: 'straps-do-not-fit',
      decisions: ['strap-places'],
      at: ['closes'],
      text: `Only ${most} of ${count} straps fit clear of injury, knee and ankle: leave the others off.`,
      why: 'A strap over the break, the kneecap or the nerve at the fibular neck does harm.',
    })
  }
  const places = placed ?? placeStraps(stretch, most, widthCm, stretches)
  const decided = draft.decide({
    id: 'strap-places',
    value: places?.centresCm ?? [],
    source: 'practice',
    formula:
      'On a 0.5 cm grid, clear of injury, kneecap, fibular neck and malleoli: the greatest least spacing, first as low and last as high as allowed.',
    working: [
      ...span.working,
      { label: 'Stretch', value: [stretch[0], stretch[1]], unit: 'cm', from: 'computed' },
      { label: 'Strap width', value: widthCm, unit: 'cm', from: 'default' },
      ...noGo.map((one) => ({
        label: `Kept clear: ${one.label}`,
        value: [one.stretch[0], one.stretch[1]],
        unit: 'cm',
        from: 'computed' as const,
      })),
      ...(places?.leastSpacingCm ? [{ label: 'Least spacing', value: places.leastSpacingCm, unit: 'cm', from: 'computed' as const }] : []),
    ],
  })
  stopOnBreak(draft, decided, widthCm)
  warnNoThighStrap(draft, decided, span.lowerLegCm)
  return decided
}

/** How the straps of a splint are spread: as evenly as they can be, or two above and two below the knee where they fit. */
export type StrapArrangement = 'spread' | 'two-and-two'

/** Two straps below the knee and two above it; null where they do not fit so. */
function placeTwoAndTwo([fromCm, toCm]: Stretch, kneeCm: number, widthCm: number, noGo: readonly Stretch[]): StrapPlaces | null {
  const below = placeStraps([fromCm, kneeCm], 2, widthCm, noGo)
  const above = placeStraps([kneeCm, toCm], 2, widthCm, noGo)
  if (!below || !above) return null
  const centresCm = [...below.centresCm, ...above.centresCm]
  const spacings = centresCm.slice(1).map((centre, index) => centre - centresCm[index]!)
  return { centresCm, leastSpacingCm: Math.min(...spacings) }
}

/** On a short thigh no strap may fit above the knee: then it is said, for nothing but the groin strap holds the thigh. */
function warnNoThighStrap(draft: PlanDraft, placesCm: readonly number[], kneeCm: number): void {
  if (placesCm.length === 0 || placesCm.some((atCm) => atCm > kneeCm)) return
  draft.caution({
    level: 'caution',
    code: 'no-thigh-strap',
    decisions: ['strap-places'],
    at: ['closes'],
    text: 'No strap fits on the thigh: bandage the thigh to the splint, clear of the break.',
    why: 'Between knee, break and groin there is no room for one; without it the thigh turns on the splint.',
  })
}

/** No strap lies over the break, whoever chose its place: a floor. */
function stopOnBreak(draft: PlanDraft, placesCm: readonly number[], widthCm: number): void {
  const { levelCm } = draft.clinicalCase.injury
  const { levelClearCm } = readDefaults(strapDefaults, draft.ctx.protocol)
  if (levelCm === null) return
  const over = placesCm.find((atCm) => Math.abs(atCm - levelCm) - widthCm / 2 < levelClearCm - 1e-9)
  if (over === undefined) return
  draft.caution({
    level: 'stop',
    isFloor: true,
    code: 'strap-on-break',
    decisions: ['strap-places'],
    at: ['closes'],
    text: `Move the strap at ${formatValue(over, 'cm')}: keep ${levelClearCm} cm clear of the break.`,
    why: `The break lies ${formatValue(levelCm, 'cm')} above the sole; a strap over it presses the ends into vessel and nerve.`,
  })
}

/** Says that the level of the injury is unknown, so that nothing is kept clear of it. */
export function noteLevelUnknown(draft: PlanDraft, decisions: readonly string[]): void {
  draft.caution({
    level: 'note',
    code: 'level-unknown',
    decisions,
    text: 'Set the level of the injury: until then nothing is kept clear of it.',
    why: 'Straps and strips must not lie over the break.',
  })
}

/** Straps and what is kept clear of them as bands on the leg axis. */
export function strapBands(draft: PlanDraft, span: MeasuredSpan, placesCm: readonly number[]): readonly GeometryBand[] {
  const { widthCm } = readDefaults(strapDefaults, draft.ctx.protocol)
  return [
    ...legNoGo(draft, span).map((one): GeometryBand => ({
      id: `clear-${one.label.toLowerCase().replaceAll(' ', '-')}`,
      axis: 'leg',
      label: `Kept clear: ${one.label.toLowerCase()}`,
      kind: 'no-go',
      fromCm: one.stretch[0],
      toCm: one.stretch[1],
      decision: null,
    })),
    ...placesCm.map((atCm, index): GeometryBand => ({
      id: `strap-${index + 1}`,
      axis: 'leg',
      label: `Strap ${index + 1}`,
      kind: 'strap',
      fromCm: atCm - widthCm / 2,
      toCm: atCm + widthCm / 2,
      decision: 'strap-places',
    })),
  ]
}
