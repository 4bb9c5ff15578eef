import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const volarSlabRoles: StepRoles = {
  ...openingRoles,
  stockinette: ['first-layer'],
  padding: ['first-layer'],
  'bone-points': [],
  'cut-slab': [],
  wet: ['wets'],
  lay: ['lays-on'],
  fold: [],
  bandage: ['wraps'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'rigid-on'],
  finish: ['closes'],
  sling: [],
}
