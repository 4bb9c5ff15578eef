import { hasFlag } from '../case/clinical-case'
import type { PlanDraft } from '../plan/draft'
import { defineDefaults, readDefaults } from '../quantities/defaults'

export const bandageDefaults = defineDefaults('bandage', {
  tensionKgf: { value: 0.5, unit: 'kgf', source: 'practice' },
  layers: { value: 2, unit: 'layers', source: 'practice', note: 'the second pass is laid on without tension' },
  passes: { value: 2, unit: 'ratio', source: 'practice', note: 'from the injury to the toes and back up' },
  cautionMmHg: { value: 25, unit: 'mmHg', source: 'practice' },
  stopMmHg: { value: 40, unit: 'mmHg', source: 'practice' },
  arterialCautionMmHg: { value: 20, unit: 'mmHg', source: 'practice' },
  arterialStopMmHg: { value: 30, unit: 'mmHg', source: 'practice' },
})

/**
 * Pressure under an elastic bandage (COMPUTATION 8, law of Laplace): 4620·n·F/(C·W).
 * @param layers n
 * @param tensionKgf F, pull in the bandage, kgf
 * @param girthCm C, girth under the bandage, cm, above 0
 * @param widthCm W, bandage width, cm, above 0
 * @returns mmHg
 * @example bandagePressure(2, 0.5, 22, 10) // 21.0
 */
export function bandagePressure(layers: number, tensionKgf: number, girthCm: number, widthCm: number): number {
  return (4620 * layers * tensionKgf) / (girthCm * widthCm)
}

/**
 * Raises `bandage-pressure` at its highest level under an elastic bandage (SAFETY: lower limits with arterial
 * disease). A low figure is never called safe.
 * @param places girths over the padding, cm, at least one
 * @param widthCm bandage width, cm
 */
export function checkBandagePressure(
  draft: PlanDraft,
  places: readonly { readonly label: string; readonly girthCm: number }[],
  widthCm: number,
): void {
  const limits = readDefaults(bandageDefaults, draft.ctx.protocol)
  const worst = places
    .map((place) => ({ place, mmHg: bandagePressure(limits.layers, limits.tensionKgf, place.girthCm, widthCm) }))
    .reduce((a, b) => (b.mmHg > a.mmHg ? b : a))
  const isArterial = hasFlag(draft.clinicalCase, 'arterial-disease')
  const stop = isArterial ? limits.arterialStopMmHg : limits.stopMmHg
  const caution = isArterial ? limits.arterialCautionMmHg : limits.cautionMmHg
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
