import { hasFlag, isYoungerThan } from '../../../model/clinical-case'
import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'
import { bandageDefaults, bandagePressure } from '../../../figures/wraps/bandage-pressure'

const childYears = 12

/** A place under the bandage. */
export interface BandagedPlace {
  readonly label: string
  /** Girth over the padding, cm. */
  readonly girthCm: number
}

/** A place with the width of the bandage that is wound there, cm. */
export interface WoundPlace extends BandagedPlace {
  readonly widthCm: number
}

/** Limits of the pressure under a bandage for this patient, mmHg. */
function pressureLimits(draft: PlanDraft): { readonly caution: number; readonly stop: number; readonly isArterial: boolean } {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const isArterial = hasFlag(draft.clinicalCase, 'arterial-disease')
  return {
    isArterial,
    caution: isArterial ? limits.arterialCautionMmHg : limits.cautionMmHg,
    stop: isArterial ? limits.arterialStopMmHg : limits.stopMmHg,
  }
}

/** The place that a bandage presses most, and how much, mmHg: its tension by limb, six tenths of it under 12 years. */
function worstPressure(draft: PlanDraft, limb: 'leg' | 'arm', places: readonly WoundPlace[]) {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const share = isYoungerThan(draft.clinicalCase, childYears) ? limits.childShare : 1
  const tensionKgf = share * (limb === 'arm' ? limits.armTensionKgf : limits.tensionKgf)
  return places
    .map((place) => ({ place, mmHg: bandagePressure(limits.layers, tensionKgf, place.girthCm, place.widthCm) }))
    .reduce((a, b) => (b.mmHg > a.mmHg ? b : a))
}

/**
 * Of the widths that suit a stretch the narrowest that stays under the caution at every place; where none does the narrowest wider one in
 * stock that does, before anything is cautioned; else the widest that suits.
 */
export function bandageWidth(
  draft: PlanDraft,
  limb: 'leg' | 'arm',
  places: readonly BandagedPlace[],
  suitingCm: readonly number[],
  allCm: readonly number[],
): number | null {
  const { caution } = pressureLimits(draft)
  const inOrder = (widthsCm: readonly number[]): readonly number[] => [...widthsCm].sort((a, b) => a - b)
  const suiting = inOrder(suitingCm)
  const widest = suiting.at(-1) ?? null
  const wider = inOrder(allCm).filter((widthCm) => widthCm > (widest ?? 0))
  const isUnder = (widthCm: number): boolean =>
    worstPressure(
      draft,
      limb,
      places.map((place) => ({ ...place, widthCm })),
    ).mmHg <= caution
  return [...suiting, ...wider].find(isUnder) ?? widest
}

/** The width where the number of rolls may decide as long as every width that suits stays under the caution: null then. */
export function widerWhereNeeded(
  draft: PlanDraft,
  limb: 'leg' | 'arm',
  places: readonly BandagedPlace[],
  suitingCm: readonly number[],
  allCm: readonly number[],
): number | null {
  const narrowest = Math.min(...suitingCm)
  const width = bandageWidth(draft, limb, places, suitingCm, allCm)
  return width === narrowest ? null : width
}

/**
 * Raises `bandage-pressure` at its highest level under an elastic bandage. A low figure is never called safe.
 * @param places at least one, each with the width wound there
 */
export function checkBandagePressure(draft: PlanDraft, limb: 'leg' | 'arm', places: readonly WoundPlace[]): void {
  const { caution, stop, isArterial } = pressureLimits(draft)
  const worst = worstPressure(draft, limb, places)
  if (worst.mmHg <= caution) return
  draft.caution({
    level: worst.mmHg > stop ? 'stop' : 'caution',
    code: 'bandage-pressure',
    lasts: true,
    decisions: ['bandage'],
    steps: ['bandage'],
    text: 'Lay the bandage on with less pull, or take a wider one.',
    why: `In this estimate it presses ${worst.mmHg.toFixed(0)} mmHg at the ${worst.place.label} with a ${worst.place.widthCm} cm bandage; the limit is ${caution}${isArterial ? ' with arterial disease' : ''}.`,
  })
}
