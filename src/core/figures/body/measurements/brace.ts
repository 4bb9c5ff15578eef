import type { MeasurementDefinition } from '../../../model/measurement-definition'

function onLeg(
  id: string,
  label: string,
  kind: 'girth' | 'length',
  landmarks: string,
  posture: string,
  statureShare: number | null = null,
  signed = false,
): MeasurementDefinition {
  return { id, label, kind, landmarks, posture, sideRule: 'wearing', statureShare, ...(signed ? { signed } : {}) }
}
const straight = 'Lying, knee straight'
const worn = 'Standing, brace closed'

export const thighLength = onLeg(
  'thigh-length',
  'Thigh length',
  'length',
  'From the bony point of the hip to the joint line of the knee',
  straight,
  0.245,
)
export const shankLength = onLeg(
  'shank-length',
  'Shank length',
  'length',
  'From the joint line of the knee to the outer malleolus',
  straight,
  0.235,
)
export const hingeForward = onLeg(
  'hinge-forward',
  'Hinge forward',
  'length',
  'From the turning point (2 cm above the joint line, 60 % back) forward to the hinge; below 0 behind it',
  worn,
  null,
  true,
)
export const hingeUp = onLeg(
  'hinge-up',
  'Hinge up',
  'length',
  'From the turning point (2 cm above the joint line, 60 % back) up to the hinge; below 0 under it',
  worn,
  null,
  true,
)

export const hingeForwardAfter = onLeg(
  'hinge-forward-after',
  'Hinge forward, after walking',
  'length',
  'As before walking: from the turning point forward to the hinge; below 0 behind it',
  worn,
  null,
  true,
)
export const hingeUpAfter = onLeg(
  'hinge-up-after',
  'Hinge up, after walking',
  'length',
  'As before walking: from the turning point up to the hinge; below 0 under it',
  worn,
  null,
  true,
)

const strapNames = ['upper thigh', 'lower thigh', 'upper shank', 'lower shank'] as const
/** Girth and strap at each of the four straps, from the top. */
export const braceStraps: readonly { readonly girth: MeasurementDefinition; readonly strap: MeasurementDefinition }[] = strapNames.map(
  (name, index) => ({
    girth: onLeg(
      `strap-girth-${index + 1}`,
      `Girth at strap ${index + 1}`,
      'girth',
      `Round the leg where the ${name} strap lies`,
      straight,
    ),
    strap: onLeg(
      `strap-length-${index + 1}`,
      `Length of strap ${index + 1}`,
      'length',
      `The ${name} strap, end to end`,
      'Strap off the brace',
    ),
  }),
)

export const treatmentWeek: MeasurementDefinition = {
  id: 'week',
  label: 'Week',
  kind: 'count',
  landmarks: 'Weeks since injury or operation',
  posture: 'From the record',
  sideRule: 'none',
  statureShare: null,
  signed: true,
}
