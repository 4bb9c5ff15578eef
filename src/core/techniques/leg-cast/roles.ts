import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const legCastRoles: StepRoles = {
  ...openingRoles,
  stocking: ['first-layer'],
  'hold-thigh': ['hold-taken'],
  padding: ['first-layer'],
  'bone-points': [],
  'roll-1': ['hold-taken', 'hold-released', 'wets', 'wraps'],
  'roll-*': ['wets', 'wraps'],
  'turn-back': [],
  'turn-back-toes': [],
  'mould-ankle': ['moulds'],
  'relief-cuts': [],
  mould: ['moulds', 'hold-released'],
  'hold-set': ['holds-to-set', 'hold-taken', 'hold-released', 'rigid-on'],
  reinforce: [],
  trim: [],
  transfer: ['transfers', 'lowers'],
}
