import { defineDefaults } from '../../quantities/defaults'

export const bandageDefaults = defineDefaults('bandage', {
  tensionKgf: { value: 0.5, unit: 'kgf', source: 'practice', guard: 'never-less', note: 'on the leg' },
  armTensionKgf: { value: 0.3, unit: 'kgf', source: 'practice', guard: 'never-less' },
  childShare: { value: 0.6, unit: 'ratio', source: 'practice', guard: 'never-less', note: 'of the tension, under 12 years' },
  layers: { value: 2, unit: 'layers', source: 'practice', guard: 'never-less', note: 'the second pass is laid on without tension' },
  passes: { value: 2, unit: 'ratio', source: 'practice', note: 'from the injury to the toes and back up' },
  cautionMmHg: { value: 25, unit: 'mmHg', source: 'practice', guard: 'never-more', label: 'Caution above' },
  stopMmHg: { value: 40, unit: 'mmHg', source: 'practice', guard: 'never-more', label: 'Stop above' },
  arterialCautionMmHg: { value: 20, unit: 'mmHg', source: 'practice', guard: 'never-more', label: 'Caution above, arterial disease' },
  arterialStopMmHg: { value: 30, unit: 'mmHg', source: 'practice', guard: 'never-more', label: 'Stop above, arterial disease' },
})

/**
 * Pressure under an elastic bandage (law of Laplace): 4620·n·F/(C·W).
 * @param layers n
 * @param tensionKgf F, pull in the bandage, kgf
 * @param girthCm C, girth under the bandage, cm, above 0
 * @param widthCm W, bandage width, cm, above 0
 * @returns mmHg
 * @example bandagePressure(2, 0.5, 22, 10) // 21.0
 */
export function bandagePressure(layers: number, tensionKgf: number, girthCm: number, widthCm: number): number {
  return (4620 * layers * tensionKgf) / (girthCm * widthCm)
}
