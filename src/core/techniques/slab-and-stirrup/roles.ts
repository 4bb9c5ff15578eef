import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const slabAndStirrupRoles: StepRoles = {
  ...openingRoles,
  'hold-foot': ['hold-taken'],
  padding: ['first-layer'],
  'bone-points': [],
  'cut-slab': [],
  wet: ['wets'],
  lay: ['lays-on'],
  stirrup: ['lays-on'],
  bandage: ['wraps'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'hold-released', 'rigid-on'],
  'look-along': [],
  finish: ['closes'],
}
