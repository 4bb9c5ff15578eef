import type { MeasurementDefinition } from '../../../model/measurement-definition'

const supine = 'Lying flat, legs together, the sound leg straight'

export const obliqueGroinGirth: MeasurementDefinition = {
  id: 'oblique-groin-girth',
  label: 'Oblique groin girth',
  landmarks: 'Round the top of the thigh, slanting from the sit bone, through the groin, up to the outer side of the hip',
  kind: 'girth',
  posture: supine,
  sideRule: 'uninjured',
  statureShare: 0.33,
}
export const outerLeg: MeasurementDefinition = {
  id: 'outer-leg',
  label: 'Outer leg',
  landmarks: 'From the great trochanter, the bony point at the side of the hip, down the outer side to the outer malleolus',
  kind: 'length',
  posture: supine,
  sideRule: 'uninjured',
  statureShare: 0.51,
}
