import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const slabAndStirrupRoles = {
  ...openingRoles,
  'hold-foot': ['hold-taken'],
  padding: ['first-layer', 'pads'],
  'bone-points': ['feels-points'],
  'cut-slab': ['cuts'],
  wet: ['wets'],
  lay: ['lays-on'],
  stirrup: ['lays-on'],
  bandage: ['wraps'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'hold-released', 'rigid-on'],
  'look-along': [],
  finish: ['closes'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type SlabAndStirrupStep = StepIdOf<typeof slabAndStirrupRoles>
