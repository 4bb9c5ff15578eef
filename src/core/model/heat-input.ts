import type { SettingMaterial } from './setting-material'
import { defineDefaults } from '../quantities/defaults'

/** Everything the heat model needs; plain data, so that it can cross to a worker and key a memo. */
export interface HeatInput {
  readonly material: SettingMaterial
  /** Plaster layers or fibreglass plies, 1 or more. */
  readonly layers: number
  readonly paddingLayers: number
  readonly waterC: number
  readonly roomC: number
  readonly backing: 'air' | 'pillow'
  /** Setting time at this water temperature, minutes. */
  readonly setMin: number
  /** Constants, protocol already applied. */
  readonly constants: Readonly<Record<keyof typeof heatDefaults.values, number>>
}

/** Constants of the heat of setting plaster; SI units except depths in cm. */
export const heatDefaults = defineDefaults('heat', {
  coreC: { value: 37, unit: '°C', source: 'anatomy', guard: 'as-shipped' },
  tissueCm: { value: 1.5, unit: 'cm', source: 'model', guard: 'as-shipped' },
  tissueK: { value: 0.37, unit: 'W/mK', source: 'physics', guard: 'as-shipped' },
  tissueRhoC: { value: 3.6e6, unit: 'J/m³K', source: 'physics', guard: 'as-shipped' },
  perfusionW: { value: 4000, unit: 'W/m³K', source: 'model', guard: 'as-shipped', note: '0.0010 per s × 4.0 MJ/m³K' },
  paddingLayerCm: { value: 0.15, unit: 'cm', source: 'practice', guard: 'as-shipped' },
  paddingK: { value: 0.15, unit: 'W/mK', source: 'model', guard: 'as-shipped' },
  paddingRhoC: { value: 0.8e6, unit: 'J/m³K', source: 'model', guard: 'as-shipped' },
  plasterLayerCm: { value: 0.05, unit: 'cm', source: 'practice', guard: 'as-shipped' },
  plasterK: { value: 0.8, unit: 'W/mK', source: 'model', guard: 'as-shipped' },
  plasterRhoC: { value: 2.6e6, unit: 'J/m³K', source: 'model', guard: 'as-shipped' },
  plasterHeat: { value: 900 * 118e3, unit: 'J/m³', source: 'physics', guard: 'as-shipped', note: 'hemihydrate 900 kg/m³, 118 kJ/kg' },
  fibreglassPlyCm: { value: 0.08, unit: 'cm', source: 'practice', guard: 'as-shipped' },
  fibreglassK: { value: 0.35, unit: 'W/mK', source: 'model', guard: 'as-shipped' },
  fibreglassRhoC: { value: 2e6, unit: 'J/m³K', source: 'model', guard: 'as-shipped' },
  fibreglassHeat: { value: 550 * 70e3, unit: 'J/m³', source: 'model', guard: 'as-shipped', note: 'resin 550 kg/m³, 70 kJ/kg' },
  airH: { value: 10, unit: 'W/m²K', source: 'physics', guard: 'as-shipped' },
  pillowH: { value: 2, unit: 'W/m²K', source: 'model', guard: 'as-shipped' },
  reactionStretch: { value: 1.6, unit: 'ratio', source: 'model', guard: 'as-shipped', note: 'θ = setting time × this' },
  burnRate: { value: 3.1e98, unit: '1/s', source: 'physics', guard: 'as-shipped' },
  burnActivationK: { value: 75000, unit: 'K', source: 'physics', guard: 'as-shipped', label: 'Burn activation' },
  hotC: { value: 44, unit: '°C', source: 'practice', guard: 'never-more', label: 'Skin too warm above' },
  hotVulnerableC: { value: 42, unit: '°C', source: 'practice', guard: 'never-more', label: 'Skin too warm above, at risk' },
  burnStop: { value: 0.53, unit: 'ratio', source: 'practice', guard: 'never-more' },
})
