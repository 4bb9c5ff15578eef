import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const legSlabRoles = {
  ...openingRoles,
  'hold-foot': ['hold-taken'],
  padding: ['first-layer', 'pads'],
  'bone-points': ['feels-points'],
  'cut-slab': ['cuts'],
  wet: ['wets'],
  lay: ['lays-on'],
  fold: [],
  'turn-back': [],
  bandage: ['wraps'],
  reduction: ['moulds'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'hold-released', 'rigid-on'],
  finish: ['closes'],
  trim: ['trims'],
  transfer: ['transfers', 'lowers'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type LegSlabStep = StepIdOf<typeof legSlabRoles>
