import {
  forUse,
  forceN,
  lengthCm,
  marginCm,
  massKg,
  placesCm,
  pressureKpa,
  rolls,
  type DecisionDefinition,
} from '../../model/decision-definition'
import { leastCrew, ringOf, ringPressure, splintLength, traction } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  ringOf('suspended-ring-traction'),
  splintLength,
  forUse('cut', lengthCm('strips', 'Skin strips', { greatest: 600 })),
  forUse('wrap', rolls('bandage', 'Bandage')),
  forUse('wrap', placesCm('slings', 'Slings above the heel sole')),
  forUse('cut', placesCm('sling-lengths', 'Sling lengths')),
  forUse('cut', lengthCm('gutter', 'Gutter length')),
  traction,
  forUse('hold', massKg('counterweight', 'Counterweight')),
  forUse('hold', massKg('suspension-weight', 'Suspension weight')),
  forUse('hold', forceN('cord-tension', 'Cord tension')),
  forUse('hold', marginCm('foot-raise', 'Raise the foot end', { least: 0, greatest: 60 })),
  ringPressure,
  pressureKpa('skin-shear', 'Drag on the skin', { step: 0.1 }),
  leastCrew,
]
