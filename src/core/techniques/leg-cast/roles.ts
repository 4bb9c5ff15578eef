import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const legCastRoles = {
  ...openingRoles,
  stocking: ['first-layer'],
  'hold-foot': ['hold-taken'],
  'hold-thigh': ['hold-taken'],
  'padding-thigh': ['first-layer', 'pads'],
  padding: ['first-layer', 'pads'],
  'bone-points': ['feels-points'],
  'toe-grip': [],
  'roll-*': ['wets', 'wraps'],
  'turn-back': [],
  'turn-back-toes': [],
  'mould-ankle': ['moulds'],
  'mould-knee': ['moulds'],
  'upper-edge': ['moulds'],
  'relief-cuts': [],
  mould: ['moulds'],
  'hold-set': ['holds-to-set', 'rigid-on'],
  reinforce: [],
  trim: ['trims'],
  transfer: ['transfers', 'lowers', 'hold-released'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type LegCastStep = StepIdOf<typeof legCastRoles>
