import type { PlanDraft } from '../../../planner/draft'
import type { StepPull, StepStraps } from '../../../model/step'
import { readDefaults } from '../../../quantities/defaults'
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

/** Straps of a field splint at their places, cm above the sole; any order. */
export function strapsAt(placesCm: readonly number[]): StepStraps {
  return {
    order: 'any',
    straps: placesCm.map((atCm, index) => ({ id: `strap-${index + 1}`, label: `${atCm} cm above the sole`, slackCm: null })),
  }
}
