import { forUse, count, lengthCm, type DecisionDefinition } from '../../model/decision-definition'
import { convertBy, leastCrew, load, strapPlaces } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  forUse('cut', lengthCm('pole-length', 'Pole length')),
  forUse('cut', count('sections', 'Pole sections', { least: 1 })),
  load,
  strapPlaces,
  convertBy,
  leastCrew,
]
