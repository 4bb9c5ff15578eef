import { hasFlag } from '../../../model/clinical-case'
import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'
import { bandageDefaults, bandagePressure } from '../../../figures/wraps/bandage-pressure'

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
