import { readDefaults, type Protocol } from '../../quantities/defaults'
import { hoursUntilLimit, pressureUnderShell, roomDefaults, type RoomInput } from './room'

export const openings = ['closed', 'single', 'strip', 'two-halves', 'half-shell'] as const
export type Opening = (typeof openings)[number]

export interface OpeningCurve {
  readonly opening: Opening
  /** Pressure each hour from 0 to 72, kPa; null once the padding is crushed flat. */
  readonly kPa: readonly (number | null)[]
  /** Hours until 4 kPa; null when not within 72 h in this estimate. */
  readonly hoursTo4: number | null
}

export interface OpeningCase {
  /** Greatest bare girth, cm. */
  readonly girthCm: number
  /** The same over the padding, cm. */
  readonly paddedGirthCm: number
  readonly growthMax: number
  readonly paddingLayers: number
  readonly isPaddingCut: boolean
  /** Share that a half-shell covers. */
  readonly coverage: number
}

const hours = Array.from({ length: 73 }, (_, hour) => hour)

/** Pressure over 72 hours for each way of leaving room: opened ways carry a light crepe. Our estimate. */
export function compareOpenings(input: OpeningCase, protocol: Protocol): readonly OpeningCurve[] {
  return openings.map((opening) => {
    const room = roomFor(opening, input, protocol)
    return {
      opening,
      kPa: hours.map((hour) => pressureUnderShell(room, hour, protocol)),
      hoursTo4: hoursUntilLimit(room, protocol),
    }
  })
}

/** The room round a girth that each way of leaving room gives. */
export function roomFor(opening: Opening, input: OpeningCase, protocol: Protocol): RoomInput {
  const room = readDefaults(roomDefaults, protocol)
  const base = { girthCm: input.girthCm, growthMax: input.growthMax, paddingLayers: input.paddingLayers }
  if (opening === 'closed') return { ...base, openingCm: 0, hasCrepe: false, coveredShare: 1 }
  if (opening === 'half-shell') {
    return { ...base, openingCm: (1 - input.coverage) * input.paddedGirthCm, hasCrepe: false, coveredShare: input.coverage }
  }
  const cutCm = opening === 'single' ? room.singleCm : opening === 'strip' ? room.stripCm : room.halvesCm
  return { ...base, openingCm: input.isPaddingCut ? cutCm : room.paddingKeptShare * cutCm, hasCrepe: true, coveredShare: 1 }
}
