import { forceN, lengthCm, marginCm, massKg, placesCm, pressureKpa, rolls, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew, ringOf, ringPressure, splintLength, traction } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  ringOf('suspended-ring-traction'),
  splintLength,
  lengthCm('strips', 'Skin strips', { greatest: 600 }),
  rolls('bandage', 'Bandage'),
  placesCm('slings', 'Slings above the heel sole'),
  lengthCm('gutter', 'Gutter length'),
  traction,
  massKg('counterweight', 'Counterweight'),
  massKg('suspension-weight', 'Suspension weight'),
  forceN('cord-tension', 'Cord tension'),
  marginCm('foot-raise', 'Raise the foot end', { least: 0, greatest: 60 }),
  ringPressure,
  pressureKpa('skin-shear', 'Drag on the skin', { step: 0.1 }),
  leastCrew,
]
