import { policyOption } from '../families/collar/collar-policy'
import { spineBelowOption } from '../shared/roll'
import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the daily care of a two-piece collar; the first value of each is the default. */
export const careCollarOptions: readonly TechniqueOption[] = [
  spineBelowOption,
  {
    id: 'frequency',
    label: 'Care',
    default: () => 'daily',
    values: [
      { id: 'daily', label: 'Daily', why: 'Wards with dry rooms and whole skin.' },
      { id: 'twice-daily', label: 'Twice daily', why: 'Warm rooms, sweat, or skin that already reddens.' },
    ],
  },
  {
    id: 'posture',
    label: 'Posture',
    default: () => 'flat',
    values: [
      { id: 'flat', label: 'Flat', why: 'At least the first time, and whenever the spine is not cleared.' },
      { id: 'as-allowed', label: 'As allowed', why: 'Once sitting up has been allowed by name.' },
    ],
  },
  policyOption,
  suppliesOption,
]
