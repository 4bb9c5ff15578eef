import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const slabAndStirrupRoles: StepRoles = {
  ...openingRoles,
  padding: ['first-layer'],
  'bone-points': [],
  'cut-slab': [],
  wet: ['wets'],
  lay: ['lays-on'],
  stirrup: ['lays-on'],
  bandage: ['wraps'],
  mould: ['moulds', 'hold-taken', 'hold-released'],
  'hold-set': ['holds-to-set', 'hold-taken', 'hold-released', 'rigid-on'],
  'look-along': [],
  finish: ['closes'],
}
