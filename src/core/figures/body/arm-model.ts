import { armGirthRatios, armStationIds, armStationShares, type ArmStationId } from './arm-template'
import { estimateGirths, estimatedGirthSdShare } from './estimate-girths'
import type { Estimate } from './pool-side'

/** A place on the forearm or hand with its girth. */
export interface ArmStation {
  readonly id: ArmStationId
  /** cm from the wrist crease; the hand lies below 0. */
  readonly atCm: number
  readonly girthCm: number
  readonly sdCm: number
  readonly measured: Estimate | null
}

export interface ArmModel {
  /** Wrist crease to elbow crease, cm. */
  readonly forearmCm: number
  /** Wrist crease to the far palm crease, cm. */
  readonly palmCm: number
  readonly stations: Readonly<Record<ArmStationId, ArmStation>>
}

/** Share of the palm path that lies on the palm; our estimate. */
const palmShare = 0.3
/** The palm path ends this far short of the elbow crease, cm. */
const shortOfElbowCm = 4

/**
 * Palm and forearm lengths from a palm path (far palm crease to 4 cm short of the elbow crease).
 * @param pathCm cm, above 0
 * @example splitPath(25) // { palmCm: 7.5, forearmCm: 21.5 }
 */
export function splitPath(pathCm: number): { palmCm: number; forearmCm: number } {
  const palmCm = palmShare * pathCm
  return { palmCm, forearmCm: pathCm - palmCm + shortOfElbowCm }
}

/**
 * Forearm and hand as stations with girths, missing girths estimated from the measured ones.
 * @param girths measured girths by station
 * @param fallbackForearmCm girth to scale the template by when nothing was measured: for a drawing only
 * @returns null when no girth at all was measured and there is no fallback
 */
export function buildArmModel(
  girths: Partial<Record<ArmStationId, Estimate>>,
  lengths: { readonly palmCm: number; readonly forearmCm: number },
  fallbackForearmCm: number | null = null,
): ArmModel | null {
  const measured: Partial<Record<ArmStationId, number>> = {}
  for (const id of armStationIds) {
    const girth = girths[id]
    if (girth) measured[id] = girth.value
  }
  const filled =
    estimateGirths(measured, armGirthRatios) ??
    (fallbackForearmCm === null ? null : estimateGirths({ forearm: fallbackForearmCm }, armGirthRatios))
  if (!filled) return null
  const stations = {} as Record<ArmStationId, ArmStation>
  for (const id of armStationIds) {
    const estimate = girths[id] ?? null
    stations[id] = {
      id,
      atCm: id === 'hand' ? -0.75 * lengths.palmCm : armStationShares[id] * lengths.forearmCm,
      girthCm: filled[id],
      measured: estimate,
      sdCm: estimate ? estimate.sd : estimatedGirthSdShare * filled[id],
    }
  }
  return { ...lengths, stations }
}

/** Girth at a place on the forearm, linear between stations, cm from the wrist crease. */
export function armGirthAt(model: ArmModel, atCm: number): number {
  const order = armStationIds.map((id) => model.stations[id])
  const upper = order.findIndex((station) => station.atCm >= atCm)
  const above = order[upper < 0 ? order.length - 1 : upper]
  const below = order[Math.max(0, upper - 1)]
  if (!above || !below || upper <= 0) return (above ?? below)?.girthCm ?? 0
  const share = (atCm - below.atCm) / (above.atCm - below.atCm)
  return below.girthCm + share * (above.girthCm - below.girthCm)
}
