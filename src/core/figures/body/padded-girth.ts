import { defineDefaults } from '../../quantities/defaults'

export const paddingDefaults = defineDefaults('padding', {
  compressedLayerCm: { value: 0.15, unit: 'cm', source: 'practice', guard: 'never-more' },
  uncompressedLayerCm: { value: 0.3, unit: 'cm', source: 'practice' },
  layers: {
    value: 2,
    unit: 'layers',
    source: 'practice',
    guard: 'as-shipped',
    note: 'used everywhere in computing; turns over bone only add rolls',
  },
})

/**
 * Girth over padding: C′ = C + 2π·n·t.
 * @param girthCm bare girth, cm
 * @param layers n, padding layers
 * @param layerCm t, thickness of one compressed layer, cm
 * @example paddedGirth(22, 2, 0.15) // 23.88
 */
export function paddedGirth(girthCm: number, layers: number, layerCm: number): number {
  return girthCm + 2 * Math.PI * layers * layerCm
}
