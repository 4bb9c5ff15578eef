import type { PlanDraft } from '../../../planner/draft'
import type { StepPull, StepStraps } from '../../../model/step'
import { readDefaults } from '../../../quantities/defaults'
import type { LegSpan } from '../../../figures/traction/leg-masses'
import { pullDefaults } from './decide-pull'

/**
 * The pull of a step as it was decided; without a body mass its limit alone: load and pain are asked all the same.
 * @param mostKg the device's or the skin's cap, kg; the field's cap where none is given
 */
export function pullOf(draft: PlanDraft, decision: 'load' | 'traction', mostKg?: number): StepPull {
  const decided = draft.collect().decisions.find((one) => one.id === decision)
  const limitKg = mostKg ?? readDefaults(pullDefaults, draft.ctx.protocol).fieldMostKg
  if (typeof decided?.value !== 'number')
    return { expectedKg: null, mostKg: limitKg, toRelief: false, school: 'No body mass, so no figure' }
  return {
    expectedKg: decided.value,
    mostKg: limitKg,
    // Relief counts only where it was not refused: a refused one is decided by figure and equal length.
    toRelief: decided.display.startsWith('to relief'),
    school: decided.school ?? '',
  }
}

/** A pull in the words of its step. */
export function pullWords(draft: PlanDraft, decision: 'load' | 'traction', { mostKg }: StepPull): string {
  const decided = draft.collect().decisions.find((one) => one.id === decision)
  return decided?.display ?? `no more than ${mostKg} kg, no figure without a body mass`
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
