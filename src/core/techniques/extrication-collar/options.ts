import { policyOption } from '../families/collar/collar-policy'
import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the extrication collar. The policy has no built-in answer: a local protocol chooses. */
export const extricationCollarOptions: readonly TechniqueOption[] = [policyOption, suppliesOption]
