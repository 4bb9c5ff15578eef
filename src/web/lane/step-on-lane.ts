import type { Geometry } from '#core/model/geometry'
import type { Step } from '#core/model/step'
import { bandsOff } from '#core/runs/bands-off'
import { gripWords, gripsNeeded } from '#core/runs/grips'
import { handsAt } from '#core/runs/hands-at'
import { gripPlaces } from '#core/scene/grip-places'
import type { LaneHand } from './kit/lane-hand'
import type { LaneLayer } from './lane-props'

const nowhere: readonly string[] = []

/** What a lane shows of a step: what is on by then, where it works, and whose hands. */
export interface StepOnLane {
  readonly layers: readonly LaneLayer[]
  readonly off: readonly string[]
  readonly lit: readonly string[]
  readonly hands: readonly LaneHand[]
}

/**
 * What the lane shows while a step is in hand, in a run and in the guide alike.
 * @param step null when all are done
 * @param nameAt whose hands are at a place; null where nobody is named
 * @param skipped ids of steps that were skipped
 */
export function stepOnLane(
  steps: readonly Step[],
  geometry: Geometry,
  step: Step | null,
  nameAt: (place: LaneHand['place']) => string | null,
  skipped?: ReadonlySet<string>,
): StepOnLane {
  const off = bandsOff(steps, geometry.bands, step, skipped)
  const covers: readonly LaneLayer[] = ['padding', 'bandage']
  return {
    layers: ['slab', ...covers.filter((layer) => geometry.bands.some((band) => band.kind === layer) && !off.includes(layer))],
    off,
    lit: step?.where ?? nowhere,
    hands: handsOnLane(steps, geometry, step, nameAt),
  }
}

/** Named hands where they belong, those of the step filled; without names only those of the step. */
function handsOnLane(
  steps: readonly Step[],
  geometry: Geometry,
  step: Step | null,
  nameAt: (place: LaneHand['place']) => string | null,
): readonly LaneHand[] {
  const active = step ? handsAt(steps, step) : []
  const lying = step ? gripPlaces(steps, step, geometry) : null
  return gripsNeeded(steps).flatMap((place): readonly LaneHand[] => {
    const name = nameAt(place)
    const isActive = active.includes(place)
    if (!name && !isActive) return []
    const on = lying?.get(place)
    const words = on ? `holds the ${on.what}` : gripWords(place, geometry.body)
    return [{ place, label: name ?? (place === 'apply' ? 'you' : words), isActive, ...(on ? { on } : {}) }]
  })
}
