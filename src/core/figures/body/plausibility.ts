import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'
import type { MeasurementDefinition } from '../../model/measurement-definition'

export const plausibilityDefaults = defineDefaults('plausibility', {
  lengthAskBelow: { value: 0.8, unit: 'ratio', source: 'anatomy' },
  lengthAskAbove: { value: 1.25, unit: 'ratio', source: 'anatomy' },
  lengthRefuseBelow: { value: 0.5, unit: 'ratio', source: 'anatomy' },
  lengthRefuseAbove: { value: 1.6, unit: 'ratio', source: 'anatomy' },
  girthAskBelow: { value: 0.7, unit: 'ratio', source: 'anatomy' },
  girthAskAbove: { value: 1.45, unit: 'ratio', source: 'anatomy' },
  girthRefuseBelow: { value: 0.45, unit: 'ratio', source: 'anatomy' },
  girthRefuseAbove: { value: 1.9, unit: 'ratio', source: 'anatomy' },
  leastCm: { value: 0.1, unit: 'cm', source: 'practice', note: 'less than a tape can tell from nothing' },
  greatestCm: { value: 250, unit: 'cm', source: 'anatomy' },
})

export type Plausibility = { readonly verdict: 'expected' } | { readonly verdict: 'asks' | 'refused'; readonly because: string }

/**
 * Whether a reading is one that a body of this stature could have.
 * @param valueCm the reading, cm (degrees for angles)
 * @param statureCm body height, or null when it is unknown or says nothing (under 12 years, part of a leg missing)
 * @returns `asks` outside the expected band, `refused` outside the hard one or when not above 0
 */
export function judgeReading(
  definition: MeasurementDefinition,
  valueCm: number,
  statureCm: number | null,
  protocol: Protocol,
): Plausibility {
  const limits = readDefaults(plausibilityDefaults, protocol)
  if (!definition.signed && valueCm <= 0) return { verdict: 'refused', because: 'it must be above 0' }
  if (definition.kind === 'angle' || definition.kind === 'count') return { verdict: 'expected' }
  if (!definition.signed && valueCm < limits.leastCm) return { verdict: 'refused', because: 'it must be above 0' }
  if (Math.abs(valueCm) > limits.greatestCm) {
    return { verdict: 'refused', because: `no body measures more than ${limits.greatestCm} cm there` }
  }
  if (statureCm === null || definition.statureShare === null || definition.signed) return { verdict: 'expected' }
  const expected = definition.statureShare * statureCm
  const share = valueCm / expected
  const isGirth = definition.kind === 'girth'
  const ask = isGirth ? ([limits.girthAskBelow, limits.girthAskAbove] as const) : ([limits.lengthAskBelow, limits.lengthAskAbove] as const)
  const refuse = isGirth
    ? ([limits.girthRefuseBelow, limits.girthRefuseAbove] as const)
    : ([limits.lengthRefuseBelow, limits.lengthRefuseAbove] as const)
  const about = `about ${expected.toFixed(0)} cm is expected at ${statureCm.toFixed(0)} cm tall`
  if (share < refuse[0] || share > refuse[1]) return { verdict: 'refused', because: about }
  const askBelow = Math.max(ask[0], (definition.askedBelowShare ?? 0) / definition.statureShare)
  if (share < askBelow || share > ask[1]) return { verdict: 'asks', because: about }
  return { verdict: 'expected' }
}
