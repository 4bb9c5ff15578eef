import { forUse, factor, marginCm, share, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import {
  ankleAngle,
  cureTime,
  elasticBandage,
  leastCrew,
  padding,
  peakSkinTemp,
  setTime,
  slabLayers,
  slabLength,
  slabWidth,
} from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  slabLength,
  slabLayers,
  slabWidth,
  forUse('cut', marginCm('ankle-fold', 'Folded away at the ankle, each side', { least: 0, greatest: 3 })),
  withRoles(share('slab-coverage', 'Coverage'), 'coverage'),
  padding,
  elasticBandage,
  factor('stiffness-gain', 'Stiffness, against the same strip left flat'),
  setTime,
  cureTime,
  ankleAngle,
  peakSkinTemp,
  leastCrew,
]
