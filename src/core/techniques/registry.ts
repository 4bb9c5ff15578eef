import { careCollar } from './care-collar/care-collar'
import { castOpening } from './cast-opening/cast-opening'
import { extricationCollar } from './extrication-collar/extrication-collar'
import { frameTraction } from './frame-traction/frame-traction'
import { hingedKneeBrace } from './hinged-knee-brace/hinged-knee-brace'
import { legCast } from './leg-cast/leg-cast'
import { legSlab } from './leg-slab/leg-slab'
import { poleTraction } from './pole-traction/pole-traction'
import { ringTraction } from './ring-traction/ring-traction'
import { seatedVest } from './seated-vest/seated-vest'
import { slabAndStirrup } from './slab-and-stirrup/slab-and-stirrup'
import { suspendedRingTraction } from './suspended-ring-traction/suspended-ring-traction'
import type { Technique } from '../planner/technique'
import { trunkShell } from './trunk-shell/trunk-shell'
import { volarSlab } from './volar-slab/volar-slab'
import { walkerBoot } from './walker-boot/walker-boot'

/** Every technique there is, in the order in which lists show them. */
export const techniques: readonly Technique[] = checkRegistry([
  legSlab,
  slabAndStirrup,
  volarSlab,
  legCast,
  castOpening,
  extricationCollar,
  careCollar,
  trunkShell,
  seatedVest,
  ringTraction,
  suspendedRingTraction,
  poleTraction,
  frameTraction,
  hingedKneeBrace,
  walkerBoot,
])

/** The technique with an id, or null. */
export function findTechnique(id: string): Technique | null {
  return techniques.find((technique) => technique.id === id) ?? null
}

/**
 * Refuses a registry with duplicate ids or missing words, naming the culprit.
 * @throws Error on the first fault: a mistake of ours, found at start
 */
export function checkRegistry(list: readonly Technique[]): readonly Technique[] {
  const seen = new Set<string>()
  for (const technique of list) {
    if (seen.has(technique.id)) throw new Error(`Technique ${technique.id} is registered twice`)
    seen.add(technique.id)
    if (!technique.name || !technique.purpose) throw new Error(`Technique ${technique.id} lacks a name or a purpose`)
    for (const [what, ids] of [
      ['an option', technique.options.map((option) => option.id)],
      ['a decision', technique.decisions.map((decision) => decision.id)],
    ] as const) {
      if (new Set(ids).size !== ids.length) throw new Error(`Technique ${technique.id} has ${what} twice`)
    }
    for (const decision of technique.decisions) {
      if (!decision.label || decision.least > decision.greatest || decision.step < 0)
        throw new Error(`Decision ${decision.id} of ${technique.id} has no name or a bad range`)
    }
    for (const option of technique.options) {
      const isReal = option.figure
        ? option.figure.least < option.figure.greatest
        : option.values.length >= 2 || option.more !== undefined || option.id === 'position'
      if (!isReal) throw new Error(`Option ${option.id} of ${technique.id} has no real choice or a bad range`)
    }
  }
  return list
}
