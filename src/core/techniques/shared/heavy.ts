import { defineDefaults } from '../../quantities/defaults'

/** From how much body mass more hands are needed. */
export const heavyDefaults = defineDefaults('heavy', {
  rollKg: { value: 100, unit: 'kg', source: 'practice', guard: 'never-more', label: 'One more turns above' },
  vestKg: { value: 100, unit: 'kg', source: 'practice', label: 'A fourth lifts a vest above' },
  frameKg: { value: 100, unit: 'kg', source: 'practice', label: 'A third lifts for a frame above' },
  slabKg: { value: 110, unit: 'kg', source: 'practice', label: 'A leg takes a helper in every position from' },
})
