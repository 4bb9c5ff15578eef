import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import type { TechniqueOption } from './technique'

/** Full or scarce supplies: an option of every case. */
export const suppliesOption: TechniqueOption = {
  id: 'supplies',
  label: 'Supplies',
  values: [
    { id: 'full', label: 'Full', why: 'Everything on the shelf may be used.' },
    { id: 'scarce', label: 'Scarce', why: 'Wool without stockinette, and plaster offcuts as fasteners, when deliveries fail.' },
  ],
  default: () => 'full',
}

export const positions = ['lying', 'face-down', 'hanging', 'seated'] as const
export type Position = (typeof positions)[number]

/** Why a position is refused for this patient, or null when it is allowed (TECHNIQUES, position chooser). */
export function refusePosition(clinicalCase: ClinicalCase, position: Position): { flag: string; why: string } | null {
  const flat = position === 'lying' || position === 'face-down'
  if (flat && hasFlag(clinicalCase, 'pregnant-late')) {
    return { flag: 'pregnant-late', why: 'The womb presses on the great vein when she lies flat.' }
  }
  if (flat && hasFlag(clinicalCase, 'breathless-lying')) {
    return { flag: 'breathless-lying', why: 'Lying flat makes breathing worse.' }
  }
  if (position === 'hanging' && hasFlag(clinicalCase, 'several-injuries')) {
    return { flag: 'several-injuries', why: 'Sitting over the edge is unsafe with several injuries.' }
  }
  if ((position === 'hanging' || position === 'seated') && hasFlag(clinicalCase, 'unstable')) {
    return { flag: 'unstable', why: 'An unstable patient stays lying.' }
  }
  return null
}

/** Position of the patient, for every lower-limb technique: the first allowed one unless chosen. */
export const positionOption: TechniqueOption = {
  id: 'position',
  label: 'Position',
  values: [
    { id: 'lying', label: 'On the back', why: 'The limb above the chest; a helper holds the foot.' },
    { id: 'face-down', label: 'Face down', why: 'Gravity and the bent knee hold the ankle square: good when hands are few.' },
    { id: 'hanging', label: 'Lower leg hanging', why: 'One pair of hands is enough.' },
    { id: 'seated', label: 'Seated', why: 'Easiest to reach, but fluid pools in the leg: be quick.' },
  ],
  default: (clinicalCase) => positions.find((position) => !refusePosition(clinicalCase, position)) ?? 'seated',
}
