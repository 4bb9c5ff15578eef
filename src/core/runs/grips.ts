import type { Geometry } from '../model/geometry'
import type { HandGrip } from '../model/step'

export const handGrips = ['apply', 'hold-distal', 'hold-joint', 'hold-proximal', 'fetch'] as const satisfies readonly HandGrip[]

/** Where a pair of hands is, by the part of the body that is worked on: "at the knee". */
export function gripWords(place: HandGrip, body: Geometry['body']): string {
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
export function handWords(place: HandGrip, body: Geometry['body']): string {
  if (place === 'apply') return 'You'
  if (place === 'fetch') return 'Whoever fetches'
  return `Helper ${gripWords(place, body)}`
}

/** Every place of hands that a procedure needs, in the order of the list. */
export function gripsNeeded(
  steps: readonly { readonly hands: readonly HandGrip[]; readonly holds: { readonly place: HandGrip } | null }[],
): readonly HandGrip[] {
  const needed = new Set(steps.flatMap((step) => [...step.hands, ...(step.holds ? [step.holds.place] : [])]))
  return handGrips.filter((place) => place === 'apply' || needed.has(place))
}
