import { forUse, choice, lengthCm, type DecisionDefinition } from '../../model/decision-definition'
import { convertBy, leastCrew, load, strapPlaces } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  forUse('cut', lengthCm('frame-length', 'Frame length')),
  load,
  strapPlaces,
  forUse('hold', choice('loading', 'Onto the stretcher', ['head-first', 'feet-first'])),
  convertBy,
  leastCrew,
]
