import { angleDeg, lengthCm, yesNo, type DecisionDefinition } from '../../model/decision-definition'
import { cureTime, elasticBandage, leastCrew, padding, peakSkinTemp, setTime, slabLayers, slabLength, slabWidth } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  slabLength,
  angleDeg('end-slant', 'Slant of the hand end'),
  slabWidth,
  lengthCm('thumb-notch', 'Thumb half-moon, radius', { least: 0.3, greatest: 6, step: 0.2 }),
  yesNo('template', 'Cutting template'),
  slabLayers,
  lengthCm('stockinette-length', 'Stockinette'),
  padding,
  elasticBandage,
  setTime,
  cureTime,
  peakSkinTemp,
  leastCrew,
]
