import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import type { OptionValue, TechniqueOption } from './technique'

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

/** Why a position is refused for this patient, or null when it is allowed. */
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

/** How the patient is settled in a position, as the step that takes it says. */
export const positionWords: Readonly<Record<Position, string>> = {
  lying: 'On the back, the limb raised and supported above the chest.',
  'face-down': 'Face down, the knee bent square, the shin upright; a pillow under the chest, the face free.',
  hanging: 'Sitting on the edge, the thigh supported, the lower leg hanging free.',
  seated: 'Seated, the limb supported out in front.',
}

const positionValues: readonly (OptionValue & { readonly id: Position })[] = [
  { id: 'lying', label: 'On the back', why: 'The limb above the chest; a helper holds the foot.' },
  { id: 'face-down', label: 'Face down', why: 'Gravity and the bent knee hold the ankle square: good when hands are few.' },
  { id: 'hanging', label: 'Lower leg hanging', why: 'One pair of hands is enough.' },
  { id: 'seated', label: 'Seated', why: 'Easiest to reach, but fluid pools in the leg: be quick.' },
]

/**
 * Position of the patient, for a lower-limb technique: those that suit its part, in order of preference.
 * The first that this patient may take counts unless another one is chosen.
 */
export function positionOptionOf(suiting: readonly [Position, ...Position[]]): TechniqueOption {
  return {
    id: 'position',
    label: 'Position',
    values: suiting.flatMap((id) => positionValues.filter((positionValue) => positionValue.id === id)),
    default: (clinicalCase) => suiting.find((position) => !refusePosition(clinicalCase, position)) ?? suiting.at(-1) ?? 'seated',
  }
}

/** Every position: for what is put round the lower leg. */
export const positionOption = positionOptionOf(positions)
/** Flat on the back and nothing else: for what pulls on the leg. */
export const lyingOption = positionOptionOf(['lying'])
