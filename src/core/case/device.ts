import type { FieldReader } from './field-reader'

export const castMaterials = ['plaster-fast', 'plaster-slow', 'fibreglass-roll'] as const
export type CastMaterial = (typeof castMaterials)[number]

/** A cast that is already on, as far as it is known. */
export interface Device {
  readonly material?: CastMaterial
  readonly layers?: number
  readonly paddingLayers?: number
  /** Minutes since it was applied. */
  readonly minutesSince?: number
  /** Level of the last round; `urgent` lifts the wait before opening. */
  readonly lastRound?: string
}

/** Reads the device of a case file; what cannot be read is reported and left out. */
export function readDevice(from: FieldReader | null): Device {
  if (!from) return {}
  const material = from.word('material', castMaterials)
  const layers = from.number('layers', { least: 1, greatest: 60 })
  const paddingLayers = from.number('paddingLayers', { least: 0, greatest: 20 })
  const minutesSince = from.number('minutesSince', { least: 0, greatest: 1_000_000 })
  const lastRound = from.word('lastRound', ['none', 'known', 'warn', 'review', 'urgent'] as const)
  return {
    ...(material === undefined ? {} : { material }),
    ...(layers === undefined ? {} : { layers }),
    ...(paddingLayers === undefined ? {} : { paddingLayers }),
    ...(minutesSince === undefined ? {} : { minutesSince }),
    ...(lastRound === undefined ? {} : { lastRound }),
  }
}
