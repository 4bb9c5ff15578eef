import { defineDefaults } from '../../quantities/defaults'

export const wrapDefaults = defineDefaults('wrap', {
  takeUp: { value: 1.05, unit: 'ratio', source: 'practice', note: 'what turns, folds and starts use up', least: 1 },
  halfOverlap: { value: 0.5, unit: 'ratio', source: 'practice', greatest: 0.8 },
  ankleTurns: { value: 3, unit: 'ratio', source: 'practice', note: 'figure-of-eight turns at the heel and instep' },
  kneeTurns: { value: 4, unit: 'ratio', source: 'practice', note: 'two crossings of two turns' },
  fibreglassStretch: { value: 1.1, unit: 'ratio', source: 'practice', note: 'a fibreglass roll laid with gentle tension', least: 1 },
  lapCm: { value: 10, unit: 'cm', source: 'practice', label: 'A part lapped onto the one before' },
  wettingMin: { value: 0.3, unit: 'min', source: 'model', label: 'Saved where a hand wets each roll ahead' },
  endMarginCm: { value: 2, unit: 'cm', source: 'practice', note: 'beyond the slab at each end' },
})

/**
 * Length of a band wound over an area: p·A/(w·(1−f))·take-up.
 * @param areaCm2 skin or padded area covered, cm², 0 or more
 * @param widthCm band width w, cm, above 0
 * @param overlap f, share of the width laid over the turn before, 0 to under 1
 * @param passes p, how many times the area is covered from end to end
 * @example wrapLength(594.2, 10, 0.5, 1, 1.05) // 124.8
 */
export function wrapLength(areaCm2: number, widthCm: number, overlap: number, passes: number, takeUp: number): number {
  return ((passes * areaCm2) / (widthCm * (1 - overlap))) * takeUp
}

/**
 * Layers that a wind leaves: p/(1−f).
 * @example wrapLayers(1, 0.5) // 2
 */
export function wrapLayers(passes: number, overlap: number): number {
  return passes / (1 - overlap)
}
