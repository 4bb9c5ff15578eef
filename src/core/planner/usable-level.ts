import type { ClinicalCase } from '../model/clinical-case'
import type { Problem } from '../model/problem'
import { bodyRegionOf } from '../model/vocabulary'

/** Farthest that an injury can lie from the distal end, as a share of stature, and without it in cm. */
const reach = { leg: { share: 0.56, cm: 120 }, arm: { share: 0.2, cm: 40 } } as const

/**
 * The case with an injury level that its limb can have: one outside it is reported and not used (null).
 * @returns the same case where nothing is wrong
 */
export function withUsableLevel(clinicalCase: ClinicalCase): { clinicalCase: ClinicalCase; problem: Problem | null } {
  const { levelCm, region } = clinicalCase.injury
  const body = region === undefined ? null : bodyRegionOf(region)
  if (levelCm === null || (body !== 'leg' && body !== 'arm')) return { clinicalCase, problem: null }
  const { heightCm } = clinicalCase.patient
  const most = heightCm === undefined ? reach[body].cm : reach[body].share * heightCm
  if (levelCm <= most) return { clinicalCase, problem: null }
  return {
    clinicalCase: { ...clinicalCase, injury: { ...clinicalCase.injury, levelCm: null } },
    problem: {
      code: 'implausible',
      path: 'injury/levelCm',
      message: `The injury level of ${levelCm.toFixed(0)} cm lies outside the ${body}: measure from the ${body === 'leg' ? 'heel sole' : 'wrist crease'}. It is not used until then.`,
    },
  }
}
