import type { Side } from '#core/case/vocabulary'
import type { LimbFindings, RoundInput } from '#core/observations/observation'

/** A leg in which everything is as it should be. */
export function wellLeg(side: Side): LimbFindings {
  return {
    limb: 'leg',
    side,
    colour: 'pink',
    warmth: 'warm',
    refillS: 1.5,
    pulse: 'present',
    movement: { 'deep-peroneal': 'full', 'superficial-peroneal': 'full', tibial: 'full' },
    feeling: { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'normal' },
    swelling: 'mild',
    restPain: 3,
    stretchPain: false,
    tight: false,
  }
}

/** Findings of both legs, the injured one changed. */
export function bothLegs(injured: Side, change: Partial<LimbFindings> = {}, analgesia = false): Omit<RoundInput, 'atMin' | 'baseline'> {
  const sound = injured === 'left' ? 'right' : 'left'
  return {
    analgesia,
    limbs: [
      { ...wellLeg(injured), ...change },
      { ...wellLeg(sound), swelling: 'none', restPain: 0 },
    ],
  }
}
