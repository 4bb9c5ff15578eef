import { limits } from '../model/limits'
import { castMaterials, type Device } from '../model/device'
import type { FieldReader } from './field-reader'

/** Reads the device of a case file; what cannot be read is reported and left out. */
export function readDevice(from: FieldReader | null): Device {
  if (!from) return {}
  const material = from.word('material', castMaterials)
  const layers = from.number('layers', limits.deviceLayers)
  const paddingLayers = from.number('paddingLayers', limits.devicePaddingLayers)
  const minutesSince = from.number('minutesSince', limits.deviceMinutes)
  const topCm = from.number('topCm', limits.deviceTopCm)
  const lastRound = from.word('lastRound', ['none', 'known', 'warn', 'review', 'urgent'] as const)
  return {
    ...(material === undefined ? {} : { material }),
    ...(layers === undefined ? {} : { layers }),
    ...(paddingLayers === undefined ? {} : { paddingLayers }),
    ...(topCm === undefined ? {} : { topCm }),
    ...(minutesSince === undefined ? {} : { minutesSince }),
    ...(lastRound === undefined ? {} : { lastRound }),
  }
}
