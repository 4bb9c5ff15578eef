import type { MeasurementDefinition } from '../../../model/measurement-definition'
import { footLength } from './leg'

/** Foot length of the foot that goes into the boot. */
export const bootFootLength: MeasurementDefinition = {
  ...footLength,
  sideRule: 'wearing',
  posture: 'Seated, knee square, foot flat on the floor',
}

function sole(id: string, label: string, landmarks: string): MeasurementDefinition {
  return { id, label, kind: 'length', landmarks, posture: 'Boot or shoe on the table', sideRule: 'none', statureShare: null }
}
export const bootSoleLength = sole(
  'boot-sole-length',
  'Boot sole, inside length',
  'Inside the boot, from the heel to the front end of the sole',
)
export const bootSoleHeight = sole('boot-sole-height', 'Boot sole height', 'From the floor to the foot bed at the heel of the boot')
export const shoeSoleHeight = sole(
  'shoe-sole-height',
  'Other shoe, sole height',
  'From the floor to the foot bed at the heel of the other shoe',
)
