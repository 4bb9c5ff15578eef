import type { Protocol } from '../../quantities/defaults'
import { settingTime } from '../setting-time/working-time'
import type { HeatInput } from '../../model/heat-input'
import { solveHeat } from './solve-heat'

export interface SweepPoint {
  readonly waterC: number
  readonly layers: number
}
export interface SweepResult extends SweepPoint {
  readonly peakC: number
  readonly omega: number
}

/**
 * The points of the water × layers map, in the order in which they are worked out.
 * @param waterSteps 2 or more points from 15 to 45 °C
 * @param layerSteps 2 or more points from 4 to 30 layers, whole
 */
export function sweepPoints(waterSteps: number, layerSteps: number): readonly SweepPoint[] {
  const points: SweepPoint[] = []
  for (let row = 0; row < layerSteps; row++) {
    for (let column = 0; column < waterSteps; column++) {
      points.push({ waterC: 15 + (30 * column) / (waterSteps - 1), layers: Math.round(4 + (26 * row) / (layerSteps - 1)) })
    }
  }
  return points
}

/** Works out one point of the map; each stands alone, so that workers can share the map and be ended at any time. */
export function solveSweepPoint(base: HeatInput, point: SweepPoint, packMin: number | undefined, protocol: Protocol): SweepResult {
  const setMin = settingTime(base.material, point.waterC, packMin, protocol).minutes
  const { peakC, omega } = solveHeat({ ...base, ...point, setMin })
  return { ...point, peakC, omega }
}
