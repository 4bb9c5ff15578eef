import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'
import { paddingDefaults } from '../body/padded-girth'
import { girthGrowthAt, swellingDefaults } from './girth-growth'

export const roomDefaults = defineDefaults('room', {
  restKPa: { value: 0.8, unit: 'kPa', source: 'model' },
  stiffnessKPa: { value: 6, unit: 'kPa', source: 'model' },
  crepeKPa: { value: 0.5, unit: 'kPa', source: 'model' },
  mostKPa: { value: 40, unit: 'kPa', source: 'model', note: 'above it the figure says only that there is no room' },
  limitKPa: { value: 4, unit: 'kPa', source: 'practice', note: '30 mmHg' },
  noRoomShare: {
    value: 0.9,
    unit: 'ratio',
    source: 'model',
    guard: 'never-more',
    label: 'Padding pressed together: no room from',
    least: 0.3,
    greatest: 1,
  },
  paddingKeptShare: { value: 0.6, unit: 'ratio', source: 'model' },
  singleCm: { value: 0.6, unit: 'cm', source: 'practice' },
  stripCm: { value: 1.5, unit: 'cm', source: 'practice' },
  halvesCm: { value: 3, unit: 'cm', source: 'practice' },
})

export interface RoomInput {
  readonly girthCm: number
  /** ε_max, ratio. */
  readonly growthMax: number
  readonly paddingLayers: number
  /** Freed opening, cm round the limb; 0 for a closed cast. */
  readonly openingCm: number
  readonly hasCrepe: boolean
  /** Share of the limb that the shell covers: 1 for a cast, its coverage for a slab. */
  readonly coveredShare: number
}

/** Padding compression x (0 none, 1 crushed flat) after `hours`. */
export function paddingCompression(input: RoomInput, hours: number, protocol: Protocol): number {
  const swelling = readDefaults(swellingDefaults, protocol)
  const padding = readDefaults(paddingDefaults, protocol)
  const growth = girthGrowthAt(input.growthMax, hours, swelling.timeConstantH)
  const outwardCm = (growth * input.girthCm - input.openingCm) / (2 * Math.PI)
  return Math.max(0, outwardCm / (input.paddingLayers * padding.uncompressedLayerCm))
}

/**
 * Pressure of the padding on the limb after `hours`: 0.8 + 6·x/(1−x) kPa on the covered
 * share, with 0.5 kPa for a light crepe. Our estimate, not compartment pressure.
 * @returns kPa, or null when there is no room left: the padding is crushed flat (x ≥ 1), or the figure is above 40 kPa and means nothing more
 */
export function pressureUnderShell(input: RoomInput, hours: number, protocol: Protocol): number | null {
  const room = readDefaults(roomDefaults, protocol)
  const x = paddingCompression(input, hours, protocol)
  if (x >= 1) return null
  const pushed = room.restKPa + (room.stiffnessKPa * x) / (1 - x)
  const pressureKPa = pushed * input.coveredShare + (input.hasCrepe ? room.crepeKPa : 0)
  return pressureKPa > room.mostKPa ? null : pressureKPa
}

/** Whether swelling leaves no room: the padding is pressed together by nine tenths or more. */
export function hasNoRoom(input: RoomInput, hours: number, protocol: Protocol): boolean {
  return paddingCompression(input, hours, protocol) >= readDefaults(roomDefaults, protocol).noRoomShare - 1e-9
}

/**
 * The opening, cm round the limb, that keeps the padding at the limit after so many hours; null where no opening of the whole growth does.
 * Pressure only falls as the opening grows, so halving the interval finds it.
 */
export function openingForLimit(input: RoomInput, hours: number, protocol: Protocol): number | null {
  const { limitKPa } = readDefaults(roomDefaults, protocol)
  const isOver = (openingCm: number): boolean => (pressureUnderShell({ ...input, openingCm }, hours, protocol) ?? Infinity) > limitKPa
  let low = 0
  let high = input.girthCm
  if (isOver(high)) return null
  while (high - low > 1e-6) {
    const middle = (low + high) / 2
    if (isOver(middle)) low = middle
    else high = middle
  }
  return high
}

/**
 * Hours until the limit (4 kPa) is passed within 72 h; null when it is not, in this estimate.
 * Pressure only rises, so halving the interval finds it.
 */
export function hoursUntilLimit(input: RoomInput, protocol: Protocol): number | null {
  const { limitKPa } = readDefaults(roomDefaults, protocol)
  const isOver = (hours: number): boolean => (pressureUnderShell(input, hours, protocol) ?? Infinity) >= limitKPa
  if (!isOver(72)) return null
  let low = 0
  let high = 72
  while (high - low > 1e-9) {
    const middle = (low + high) / 2
    if (isOver(middle)) high = middle
    else low = middle
  }
  return high
}
