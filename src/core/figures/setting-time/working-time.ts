import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'
import { workableShare } from '../../model/crew-input'
import type { SettingMaterial } from '../../model/setting-material'

export const settingDefaults = defineDefaults('setting', {
  'plaster-extra-fast': { value: 3, unit: 'min', source: 'practice', guard: 'never-less' },
  'plaster-fast': { value: 5, unit: 'min', source: 'practice', guard: 'never-less' },
  'plaster-slow': { value: 8, unit: 'min', source: 'practice', guard: 'never-less' },
  'padded-fibreglass': { value: 4, unit: 'min', source: 'practice', guard: 'never-less' },
  'fibreglass-roll': { value: 4, unit: 'min', source: 'practice', guard: 'never-less' },
  nominalC: { value: 22, unit: '°C', source: 'practice', label: 'Water of the pack’s time' },
  plasterPerC: { value: 0.04, unit: '1/°C', source: 'model' },
  fibreglassPerC: { value: 0.03, unit: '1/°C', source: 'model' },
  sdShare: { value: 0.15, unit: 'ratio', source: 'model', label: 'Spread, share of the time' },
  coldC: { value: 18, unit: '°C', source: 'practice', label: 'Water cold below' },
  warmPlasterC: { value: 24, unit: '°C', source: 'practice', label: 'Water warm for plaster above' },
  hotC: { value: 30, unit: '°C', source: 'practice', guard: 'never-more', label: 'Water too hot above', greatest: 35 },
  workableShare: {
    value: workableShare,
    unit: 'ratio',
    source: 'practice',
    guard: 'never-more',
    greatest: 0.95,
    label: 'Can be shaped for, share of the time',
  },
  releaseShare: {
    value: 1.3,
    unit: 'ratio',
    source: 'practice',
    guard: 'never-less',
    least: 1,
    label: 'Held still for, share of the time',
    note: 'at the likely time half of all batches are still soft',
  },
  lowerPlasterMin: { value: 10, unit: 'min', source: 'practice', guard: 'never-less', label: 'Plaster set down after, at least' },
  lowerPlasterShare: {
    value: 3,
    unit: 'ratio',
    source: 'practice',
    guard: 'never-less',
    least: 1,
    label: 'Plaster set down after, share of the time',
  },
  lowerFibreglassMin: { value: 20, unit: 'min', source: 'practice', guard: 'never-less', label: 'Fibreglass set down after' },
  cureThinPlasterH: { value: 24, unit: 'h', source: 'practice' },
  cureThickPlasterH: { value: 48, unit: 'h', source: 'practice' },
  thickPlasterLayers: { value: 8, unit: 'layers', source: 'practice' },
  cureThinFibreglassMin: { value: 20, unit: 'min', source: 'practice' },
  cureThickFibreglassMin: { value: 30, unit: 'min', source: 'practice' },
  thickFibreglassPlies: { value: 6, unit: 'layers', source: 'practice' },
})

/** Whether a material is plaster (the rest are fibreglass). */
export function isPlaster(material: SettingMaterial): boolean {
  return material.startsWith('plaster')
}

/**
 * Time from wetting until the material no longer moulds: nominal·exp(−k·(T−22)).
 * Our estimate of how water temperature changes it; sd 15 %.
 * @param waterC dip-water temperature, °C
 * @param packMin the pack's own figure at 22 °C, minutes; replaces the built-in nominal
 * @returns minutes, with its standard deviation
 * @example settingTime('plaster-fast', 22, undefined, protocol).minutes // 5
 */
export function settingTime(
  material: SettingMaterial,
  waterC: number,
  packMin: number | undefined,
  protocol: Protocol,
): { minutes: number; sd: number; nominalMin: number } {
  const values = readDefaults(settingDefaults, protocol)
  const nominalMin = packMin ?? values[material]
  const perC = isPlaster(material) ? values.plasterPerC : values.fibreglassPerC
  const minutes = nominalMin * Math.exp(-perC * (waterC - values.nominalC))
  return { minutes, sd: values.sdShare * minutes, nominalMin }
}

/**
 * Time until full strength. Strength only: it never allows weight by itself.
 * @param layers plaster layers or fibreglass plies at the thickest
 * @returns plaster in hours, fibreglass in minutes
 */
export function cureTime(
  material: SettingMaterial,
  layers: number,
  protocol: Protocol,
): { value: number; unit: 'h' | 'min'; minutes: number } {
  const values = readDefaults(settingDefaults, protocol)
  if (isPlaster(material)) {
    const hours = layers > values.thickPlasterLayers ? values.cureThickPlasterH : values.cureThinPlasterH
    return { value: hours, unit: 'h', minutes: hours * 60 }
  }
  const minutes = layers > values.thickFibreglassPlies ? values.cureThickFibreglassMin : values.cureThinFibreglassMin
  return { value: minutes, unit: 'min', minutes }
}
