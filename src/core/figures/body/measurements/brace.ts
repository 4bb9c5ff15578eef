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
  return { id, label, kind, landmarks, posture, sideRule: 'wearing', statureShare, ...(signed ? { signed, moves: true } : {}) }
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
  straight,
  null,
  true,
)
export const hingeUp = onLeg(
  'hinge-up',
  'Hinge up',
  'length',
  'From the turning point (2 cm above the joint line, 60 % back) up to the hinge; below 0 under it',
  straight,
  null,
  true,
)

/** When the hinge is read, in turn, with what may have drawn it since and what is loosened for it. */
export const hingeMoments: readonly {
  readonly id: 'before' | 'rear' | 'front' | 'after'
  /** The step at which it is read. */
  readonly step: string
  readonly forward: MeasurementDefinition
  readonly up: MeasurementDefinition
  /** What happened just before it. */
  readonly words: string
  readonly remedy: string
}[] = [
  { id: 'before', step: 'hinges', forward: hingeForward, up: hingeUp, words: '', remedy: '' },
  ...(
    [
      [
        'rear',
        'rear-straps',
        'rear straps closed',
        'when the rear straps were closed',
        'Loosen the rear straps there, and lock each only once it is snug.',
      ],
      [
        'front',
        'front-straps',
        'front straps closed',
        'when the front straps were closed',
        'Loosen the front straps there, from the knee outward.',
      ],
      [
        'after',
        'walk',
        'after walking',
        'with walking',
        'Open it, hinges back over the turning point, rear straps first; calf strap firmer.',
      ],
    ] as const
  ).map(([id, step, label, words, remedy]) => ({
    id,
    step,
    words,
    remedy,
    forward: onLeg(
      `hinge-forward-${id}`,
      `Hinge forward, ${label}`,
      'length',
      'As before: from the turning point forward to the hinge; below 0 behind it',
      id === 'after' ? worn : straight,
      null,
      true,
    ),
    up: onLeg(
      `hinge-up-${id}`,
      `Hinge up, ${label}`,
      'length',
      'As before: from the turning point up to the hinge; below 0 under it',
      id === 'after' ? worn : straight,
      null,
      true,
    ),
  })),
]

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
  moves: true,
}
