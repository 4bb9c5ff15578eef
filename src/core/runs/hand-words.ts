import type { Geometry } from '../model/geometry'
import type { HandPlace } from '../model/step'

export const handPlaces = ['apply', 'hold-distal', 'hold-joint', 'hold-proximal', 'fetch'] as const satisfies readonly HandPlace[]

/** Where a pair of hands is, by the part of the body that is worked on: "at the knee". */
export function handPlaceWords(place: HandPlace, body: Geometry['body']): string {
  const part = body === 'arm' ? 'arm' : body === 'neck' || body === 'trunk' ? 'column' : 'leg'
  switch (place) {
    case 'apply':
      return 'applies'
    case 'fetch':
      return 'fetches'
    case 'hold-distal':
      return { leg: 'at the foot', arm: 'at the hand', column: 'at the legs' }[part]
    case 'hold-joint':
      return { leg: 'at the knee', arm: 'at the elbow', column: 'at the head' }[part]
    case 'hold-proximal':
      return { leg: 'under the thigh', arm: 'at the upper arm', column: 'at shoulder and hip' }[part]
  }
}

/** Whose hands a step needs when nobody is named. */
export function handWords(place: HandPlace, body: Geometry['body']): string {
  if (place === 'apply') return 'You'
  if (place === 'fetch') return 'Whoever fetches'
  return `Helper ${handPlaceWords(place, body)}`
}

/** Every place of hands that a procedure needs, in the order of the list. */
export function placesNeeded(
  steps: readonly { readonly hands: readonly HandPlace[]; readonly holds: { readonly place: HandPlace } | null }[],
): readonly HandPlace[] {
  const needed = new Set(steps.flatMap((step) => [...step.hands, ...(step.holds ? [step.holds.place] : [])]))
  return handPlaces.filter((place) => place === 'apply' || needed.has(place))
}
