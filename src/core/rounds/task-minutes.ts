import { defineDefaults } from '../quantities/defaults'

/** Likely minutes at the bed for one piece of owed work, by its kind, walking included; of the ward forecast. To be timed. */
export const taskMinuteDefaults = defineDefaults('task-minutes', {
  round: { value: 6, unit: 'min', source: 'practice' },
  care: { value: 12, unit: 'min', source: 'practice' },
  weights: { value: 4, unit: 'min', source: 'practice' },
  opening: { value: 25, unit: 'min', source: 'practice' },
  review: { value: 15, unit: 'min', source: 'practice' },
  convert: { value: 45, unit: 'min', source: 'practice', label: 'Change of splint' },
  remove: { value: 20, unit: 'min', source: 'practice', label: 'Taking it off' },
  added: { value: 10, unit: 'min', source: 'practice', label: 'What somebody wrote down' },
})
