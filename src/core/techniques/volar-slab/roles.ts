import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const volarSlabRoles = {
  ...openingRoles,
  stockinette: ['first-layer'],
  padding: ['first-layer', 'pads'],
  'bone-points': ['feels-points'],
  'cut-slab': ['cuts'],
  wet: ['wets'],
  lay: ['lays-on'],
  fold: [],
  bandage: ['wraps'],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'rigid-on'],
  finish: ['closes'],
  sling: [],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type VolarSlabStep = StepIdOf<typeof volarSlabRoles>
