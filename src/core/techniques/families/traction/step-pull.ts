import type { PlanDraft } from '../../../planner/draft'
import type { StepPull, StepStraps } from '../../../model/step'
import { readDefaults } from '../../../quantities/defaults'
import type { LegSpan } from '../../../figures/traction/leg-masses'
import { pullDefaults } from './decide-pull'

/**
 * The pull of a step as it was decided, or null before there is a body mass.
 * @param mostKg the device's or the skin's cap, kg; the field's cap where none is given
 */
export function pullOf(draft: PlanDraft, decision: 'load' | 'traction', mostKg?: number): StepPull | null {
  const decided = draft.collect().decisions.find((one) => one.id === decision)
  if (typeof decided?.value !== 'number') return null
  return {
    expectedKg: decided.value,
    mostKg: mostKg ?? readDefaults(pullDefaults, draft.ctx.protocol).fieldMostKg,
    // Relief counts only where it was not refused: a refused one is decided by figure and equal length.
    toRelief: decided.display.startsWith('to relief'),
    school: decided.school ?? '',
  }
}

/** Where on the leg a place lies, by name. */
export function placeName(atCm: number, { lowerLegCm, insideLegCm }: LegSpan): string {
  if (atCm < 0.4 * lowerLegCm) return 'above the ankle'
  if (atCm < 0.7 * lowerLegCm) return 'mid-shin'
  if (atCm < lowerLegCm) return 'below the knee'
  const share = (atCm - lowerLegCm) / Math.max(1, insideLegCm - lowerLegCm)
  return share < 0.35 ? 'above the knee' : share < 0.7 ? 'mid-thigh' : 'upper thigh'
}

/** Straps of a field splint at their places, cm above the sole, each with its name; any order. */
export function strapsAt(places: readonly { readonly atCm: number; readonly name: string }[]): StepStraps {
  return {
    order: 'any',
    straps: places.map(({ atCm, name }, index) => ({
      id: `strap-${index + 1}`,
      label: `${name ? `${name.charAt(0).toUpperCase()}${name.slice(1)}, ` : ''}${atCm} cm above the sole`,
      slackCm: null,
    })),
  }
}
