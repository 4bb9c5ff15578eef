import {
  aboveKneeGirth,
  ankleGirth,
  belowKneeGirth,
  calfGirth,
  footLength,
  gapAfterFold,
  groinGirth,
  heelInstepGirth,
  insideLeg,
  kneeGirth,
  lowerLegLength,
  midfootGirth,
  midThighGirth,
  slabPath,
  toeGirth,
} from '../../figures/body/measurements/leg'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import type { ClinicalCase } from '../../model/clinical-case'
import type { OptionValues, TechniqueMeasurement } from '../../planner/technique'
import { extentOf } from './options'

/** The slab path for the chosen toe end and extent, with its landmarks in words. */
export function slabPathFor(clinicalCase: ClinicalCase, options: OptionValues): MeasurementDefinition {
  const isAbove = extentOf(clinicalCase, options) === 'above-knee'
  const from = options['length'] === 'past-toes' ? 'the toe tips' : 'the crease under the big toe'
  const to = isAbove ? 'the fold under the buttock' : 'the crease behind the bent knee'
  return {
    ...slabPath,
    takenFor: `${options['length'] === 'past-toes' ? 'past-toes' : 'toe-crease'} ${isAbove ? 'above-knee' : 'below-knee'}`,
    landmarks: `From ${from}, under the heel, up the back of the leg to ${to}`,
    ...(isAbove ? { statureShare: 0.5, askedBelowShare: 0.45 } : {}),
  }
}

/** What to measure for a back slab, in the order in which it is asked. */
export function legSlabMeasurements(clinicalCase: ClinicalCase, options: OptionValues): readonly TechniqueMeasurement[] {
  const isAbove = extentOf(clinicalCase, options) === 'above-knee'
  const girths = [ankleGirth, calfGirth, belowKneeGirth, heelInstepGirth, toeGirth]
  const thigh = [kneeGirth, aboveKneeGirth, midThighGirth]
  return [
    { definition: slabPathFor(clinicalCase, options), need: 'required' },
    ...girths.map((definition) => ({ definition, need: 'one-girth' as const })),
    ...thigh.map((definition) => ({ definition, need: isAbove ? ('one-girth' as const) : ('optional' as const) })),
    ...[lowerLegLength, footLength, midfootGirth, groinGirth, insideLeg, gapAfterFold].map((definition) => ({
      definition,
      need: 'optional' as const,
    })),
  ]
}
