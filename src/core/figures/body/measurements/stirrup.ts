import type { MeasurementDefinition } from '../../../model/measurement-definition'

export const stirrupPath: MeasurementDefinition = {
  id: 'stirrup-path',
  label: 'Stirrup path',
  landmarks: 'From the chosen top on one side of the leg, under the heel, to the same height on the other side',
  kind: 'length',
  posture: 'Ankle at its angle, tape lying loose over both malleoli',
  sideRule: 'uninjured',
  statureShare: 0.4,
}
