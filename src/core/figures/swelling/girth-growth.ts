import { hasFlag, type ClinicalCase } from '../../model/clinical-case'
import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'

export const swellingDefaults = defineDefaults('swelling', {
  none: { value: 0.01, unit: 'ratio', source: 'model' },
  mild: { value: 0.02, unit: 'ratio', source: 'model' },
  moderate: { value: 0.05, unit: 'ratio', source: 'model' },
  marked: { value: 0.08, unit: 'ratio', source: 'model' },
  anticoagulatedFactor: { value: 1.25, unit: 'ratio', source: 'model' },
  notFresh: { value: 0.01, unit: 'ratio', source: 'model' },
  timeConstantH: { value: 18, unit: 'h', source: 'model' },
})

/**
 * Greatest share by which a girth is expected to grow, ε_max. Our estimate.
 * @returns 0.01 for an injury that is not fresh, whatever else; otherwise by swelling, × 1.25 when anticoagulated
 * @example fresh and moderate: 0.05; anticoagulated as well: 0.0625
 */
export function greatestGirthGrowth(clinicalCase: ClinicalCase, protocol: Protocol): number {
  const values = readDefaults(swellingDefaults, protocol)
  if (!hasFlag(clinicalCase, 'fresh')) return values.notFresh
  const factor = hasFlag(clinicalCase, 'anticoagulated') ? values.anticoagulatedFactor : 1
  return values[clinicalCase.injury.swelling] * factor
}

/**
 * Share by which a girth has grown after a time: ε(t) = ε_max·(1 − exp(−t/18 h)). Our estimate.
 * @param growthMax ε_max
 * @param hours since the measurement, 0 or more
 * @param timeConstantH 18 h unless a protocol says otherwise
 */
export function girthGrowthAt(growthMax: number, hours: number, timeConstantH: number): number {
  return growthMax * (1 - Math.exp(-hours / timeConstantH))
}
