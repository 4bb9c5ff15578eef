import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const legSlabRoles: StepRoles = {
  ...openingRoles,
  'hold-foot': ['hold-taken'],
  padding: ['first-layer'],
  'bone-points': [],
  'cut-slab': [],
  wet: ['wets'],
  lay: ['lays-on'],
  fold: [],
  'turn-back': [],
  bandage: ['wraps'],
  reduction: ['moulds'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'hold-released', 'rigid-on'],
  finish: ['closes'],
  trim: [],
  transfer: ['transfers', 'lowers'],
}
