import type { ClinicalCase } from '../../model/clinical-case'
import { clamp } from '../../quantities/rounding'
import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'

export const layerDefaults = defineDefaults('layers', {
  heavyKg: { value: 95, unit: 'kg', source: 'practice', label: 'Heavy from' },
  lightKg: { value: 35, unit: 'kg', source: 'practice', label: 'Light below' },
  longWearDays: { value: 7, unit: 'days', source: 'practice' },
  lightLess: { value: 2, unit: 'layers', source: 'practice', note: 'further layers fewer in plaster slabs under 35 kg' },
  lightLeast: { value: 5, unit: 'layers', source: 'practice' },
  plasterLayerCm: { value: 0.05, unit: 'cm', source: 'practice' },
  fibreglassPlyCm: { value: 0.08, unit: 'cm', source: 'practice' },
  padStripPlies: { value: 6, unit: 'layers', source: 'practice', note: 'one pre-padded strip counts as this many plies' },
})

export interface LayerBand {
  readonly base: number
  readonly least: number
  readonly greatest: number
}

/** What adds or takes a layer, in words. */
export interface LayerReason {
  readonly label: string
  readonly change: number
}

export interface LayerCount {
  readonly layers: number
  /** Fewer break under this patient. */
  readonly least: number
  readonly reasons: readonly LayerReason[]
}

/**
 * Layers of a plaster slab: base, +1 above 95 kg, +1 for more than 7 days of
 * planned wear, −1 under 35 kg and then 2 fewer, never below 5; kept within the school's band, under 35 kg at three below its base.
 * Without a mass nothing is adjusted for it.
 * @param more what an option asks for
 * @returns layers, the fewest that hold, and what changed them
 * @example adult of 70 kg, band 10 ± 2: 10 layers
 */
export function countSlabLayers(
  clinicalCase: ClinicalCase,
  band: LayerBand,
  protocol: Protocol,
  more: readonly LayerReason[] = [],
): LayerCount {
  const limits = readDefaults(layerDefaults, protocol)
  const { massKg } = clinicalCase.patient
  const isLight = massKg !== undefined && massKg < limits.lightKg
  const reasons: LayerReason[] = [...more]
  const isHeavy = massKg !== undefined && massKg > limits.heavyKg
  if (isHeavy) reasons.push({ label: `Above ${limits.heavyKg} kg`, change: 1 })
  if ((clinicalCase.wearDays ?? 0) > limits.longWearDays) {
    reasons.push({ label: `Worn more than ${limits.longWearDays} days`, change: 1 })
  }
  if (isLight) {
    reasons.push({ label: `Under ${limits.lightKg} kg`, change: -1 })
    reasons.push({ label: `Plaster slab under ${limits.lightKg} kg`, change: -limits.lightLess })
  }
  const sum = reasons.reduce((layers, reason) => layers + reason.change, band.base)
  const least = isLight ? limits.lightLeast : band.least
  const greatest = isLight ? Math.max(least, band.base - 1 - limits.lightLess) : band.greatest
  return { layers: clamp(sum, least, greatest), least: isHeavy ? least + 1 : least, reasons }
}
