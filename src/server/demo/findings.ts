import { keyMovements } from '#core/model/round-items'
import type { Side } from '#core/model/vocabulary'
import type { LimbFindings, RoundInput } from '#core/model/observation'

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

/** An arm in which everything is as it should be. */
export function wellArm(side: Side): LimbFindings {
  return {
    limb: 'arm',
    side,
    colour: 'pink',
    warmth: 'warm',
    refillS: 1.5,
    pulse: 'present',
    movement: { radial: 'full', median: 'full', ulnar: 'full' },
    feeling: { radial: 'normal', median: 'normal', ulnar: 'normal' },
    swelling: 'mild',
    restPain: 3,
    stretchPain: false,
    tight: false,
  }
}

/** Findings of both arms, the injured one changed. */
export function bothArms(injured: Side, change: Partial<LimbFindings> = {}): Omit<RoundInput, 'atMin' | 'baseline'> {
  const sound = injured === 'left' ? 'right' : 'left'
  return {
    analgesia: false,
    limbs: [
      { ...wellArm(injured), ...change },
      { ...wellArm(sound), swelling: 'none', restPain: 0 },
    ],
  }
}

/** All four limbs strong and feeling, with the neck or the spine beside them. */
export function fourLimbs(block: Pick<RoundInput, 'neck' | 'spine'>): Omit<RoundInput, 'atMin' | 'baseline'> {
  const moving = (limb: LimbFindings): LimbFindings => ({
    limb: limb.limb,
    side: limb.side,
    pulse: 'present',
    power: Object.fromEntries(keyMovements[limb.limb].map(({ id }) => [id, 5])),
    feeling: limb.feeling ?? {},
  })
  const limbs = (['left', 'right'] as const).flatMap((side) => [moving(wellArm(side)), moving(wellLeg(side))])
  return { analgesia: false, limbs, ...block }
}

export const quietNeck = { voice: 'normal', swallowing: 'normal', breathing: 'normal', veins: 'flat' } as const
export const quietSpine = {
  saddle: 'normal',
  bladder: 'normal',
  bowel: 'normal',
  breathing: 'normal',
  belly: 'soft',
  vomiting: 'no',
  level: 'normal',
} as const

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
