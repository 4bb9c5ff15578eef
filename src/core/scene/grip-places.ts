import type { Geometry } from '../model/geometry'
import type { HeldThing } from '../model/held-thing'
import type { HandGrip, Step } from '../model/step'
import type { Post } from '../model/step-line'
import { isPost, playScene } from './play-scene'

/** A place on an axis of the lane, cm, from which something is held. */
export interface LanePlace {
  readonly axis: string
  readonly atCm: number
  /** What is held from there. */
  readonly what: HeldThing
}

/** How the hands of a post are called where they are drawn and named. */
const gripOfPost: Readonly<Partial<Record<Post, HandGrip>>> = {
  foot: 'hold-distal',
  side: 'hold-joint',
  head: 'hold-joint',
  shoulder: 'hold-proximal',
  hip: 'hold-proximal',
}

/**
 * Where the hands lie that hold while a step is done, as its scene has them: never where its layer is laid.
 * @param steps the procedure, in its order
 * @returns by grip; nothing of steps that are not cut into lines, nor of hands whose place the lane does not know
 */
export function gripPlaces(steps: readonly Step[], step: Step, geometry: Geometry): ReadonlyMap<HandGrip, LanePlace> {
  const last = playScene(steps).findLast((frame) => frame.step.id === step.id)
  const places = new Map<HandGrip, LanePlace>()
  for (const [what, { by, at }] of last?.after.carried ?? []) {
    const grip = isPost(by) ? gripOfPost[by] : undefined
    const place = [...geometry.stations, ...geometry.marks].find(({ id }) => id === at)
    if (grip && place) places.set(grip, { axis: place.axis, atCm: place.atCm, what })
  }
  return places
}
