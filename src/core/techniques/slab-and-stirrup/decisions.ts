import { forUse, lengthCm, share, widthCm, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { ankleAngle, cureTime, elasticBandage, leastCrew, padding, setTime, slabLength, slabWidth } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  slabWidth,
  forUse('cut', widthCm('stirrup-width', 'Stirrup width')),
  withRoles(share('coverage', 'Joint coverage'), 'coverage'),
  slabLength,
  forUse('cut', lengthCm('stirrup-length', 'Stirrup length')),
  padding,
  elasticBandage,
  setTime,
  cureTime,
  ankleAngle,
  leastCrew,
]
