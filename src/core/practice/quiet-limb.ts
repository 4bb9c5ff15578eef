import { nerves, type LimbFindings } from '../model/observation'
import type { Side } from '../model/vocabulary'

/** A limb on which all is well, every item looked at: what a finding is laid over. */
export function quietLimb(limb: 'leg' | 'arm', side: Side): LimbFindings {
  return {
    limb,
    side,
    colour: 'pink',
    warmth: 'warm',
    refillS: 1.5,
    pulse: 'present',
    movement: Object.fromEntries(nerves[limb].map((nerve) => [nerve.id, 'full'])),
    feeling: Object.fromEntries(nerves[limb].map((nerve) => [nerve.id, 'normal'])),
    swelling: 'none',
    restPain: 2,
    stretchPain: false,
    tight: false,
    skin: 'intact',
    also: [],
  }
}
