import { forUse, angleDeg, lengthCm, yesNo, type DecisionDefinition } from '../../model/decision-definition'
import { cureTime, elasticBandage, leastCrew, padding, peakSkinTemp, setTime, slabLayers, slabLength, slabWidth } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  slabLength,
  forUse('cut', angleDeg('end-slant', 'Slant of the hand end')),
  slabWidth,
  forUse('cut', lengthCm('thumb-notch', 'Thumb half-moon, radius', { least: 0.3, greatest: 6, step: 0.2 })),
  forUse('cut', yesNo('template', 'Cutting template')),
  slabLayers,
  forUse('cut', lengthCm('stockinette-length', 'Stockinette')),
  padding,
  elasticBandage,
  setTime,
  cureTime,
  peakSkinTemp,
  leastCrew,
]
