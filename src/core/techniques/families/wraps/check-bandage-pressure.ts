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

/** Limits of the pressure under a bandage for this patient, mmHg (SAFETY: lower with arterial disease). */
function pressureLimits(draft: PlanDraft): { readonly caution: number; readonly stop: number; readonly isArterial: boolean } {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const isArterial = hasFlag(draft.clinicalCase, 'arterial-disease')
  return {
    isArterial,
    caution: isArterial ? limits.arterialCautionMmHg : limits.cautionMmHg,
    stop: isArterial ? limits.arterialStopMmHg : limits.stopMmHg,
  }
}

/** The place that a bandage presses most, and how much, mmHg: its tension by limb, six tenths of it under 12 years (CORRECTIONS 3). */
function worstPressure(draft: PlanDraft, limb: 'leg' | 'arm', places: readonly BandagedPlace[], widthCm: number) {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const share = isYoungerThan(draft.clinicalCase, childYears) ? limits.childShare : 1
  const tensionKgf = share * (limb === 'arm' ? limits.armTensionKgf : limits.tensionKgf)
  return places
    .map((place) => ({ place, mmHg: bandagePressure(limits.layers, tensionKgf, place.girthCm, widthCm) }))
    .reduce((a, b) => (b.mmHg > a.mmHg ? b : a))
}

/** Of some widths the narrowest that stays under the caution at every place, else the widest. */
export function bandageWidth(
  draft: PlanDraft,
  limb: 'leg' | 'arm',
  places: readonly BandagedPlace[],
  widthsCm: readonly number[],
): number | null {
  const { caution } = pressureLimits(draft)
  const sorted = [...widthsCm].sort((a, b) => a - b)
  return sorted.find((width) => worstPressure(draft, limb, places, width).mmHg <= caution) ?? sorted.at(-1) ?? null
}

/**
 * Raises `bandage-pressure` at its highest level under an elastic bandage. A low figure is never called safe.
 * @param places at least one
 * @param widthCm bandage width, cm
 */
export function checkBandagePressure(draft: PlanDraft, limb: 'leg' | 'arm', places: readonly BandagedPlace[], widthCm: number): void {
  const { caution, stop, isArterial } = pressureLimits(draft)
  const worst = worstPressure(draft, limb, places, widthCm)
  if (worst.mmHg <= caution) return
  draft.caution({
    level: worst.mmHg > stop ? 'stop' : 'caution',
    code: 'bandage-pressure',
    decisions: ['bandage'],
    steps: ['bandage'],
    text: 'Lay the bandage on with less pull, or take a wider one.',
    why: `In this estimate it presses ${worst.mmHg.toFixed(0)} mmHg at the ${worst.place.label} with a ${widthCm} cm bandage; the limit is ${caution}${isArterial ? ' with arterial disease' : ''}.`,
  })
}
