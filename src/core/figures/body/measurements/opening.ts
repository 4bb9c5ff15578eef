import type { MeasurementDefinition } from '../../../model/measurement-definition'

export const openingWidth: MeasurementDefinition = {
  id: 'opening-cm',
  label: 'Opening',
  kind: 'length',
  landmarks: 'How far the cut edges stand apart, at their least',
  posture: 'Limb at rest, cast spread',
  sideRule: 'none',
  statureShare: null,
  moves: true,
}
