import { forUse, choice, count, lengthCm, sizeOf, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew, ringOf, ringPressure, splintLength, strapPlaces, traction } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  ringOf('ring-traction'),
  splintLength,
  forUse(
    'cut',
    sizeOf('sling', 'Sling', (item) => item.item === 'sling'),
  ),
  forUse('cut', count('pads', 'Sling pads')),
  strapPlaces,
  forUse(
    'cut',
    sizeOf('ring-cover', 'Ring cover', (item) => item.item === 'ring-cover'),
  ),
  forUse('cut', lengthCm('tube-length', 'Padding tube')),
  forUse('wrap', choice('side-high', 'Higher side of the ring', ['outer', 'inner'])),
  traction,
  ringPressure,
  leastCrew,
]
