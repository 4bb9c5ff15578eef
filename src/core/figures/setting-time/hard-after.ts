import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'
import { isPlaster } from './working-time'
import type { SettingMaterial } from '../../model/setting-material'

export const hardDefaults = defineDefaults('hard', {
  plasterMin: { value: 60, unit: 'min', source: 'practice' },
  fibreglassMin: { value: 20, unit: 'min', source: 'practice' },
})

/**
 * Minutes after application until a cast is hard enough for a saw. An emergency never waits for it.
 * @returns min
 */
export function hardMinutes(material: SettingMaterial, protocol: Protocol): number {
  const hard = readDefaults(hardDefaults, protocol)
  return isPlaster(material) ? hard.plasterMin : hard.fibreglassMin
}
