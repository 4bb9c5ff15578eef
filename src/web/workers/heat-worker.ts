/// <reference lib="webworker" />
import type { HeatInput } from '#core/model/heat-input'
import { solveSweepPoint, type SweepPoint, type SweepResult } from '#core/figures/heat/heat-sweep'
import { solveHeat, type HeatResult } from '#core/figures/heat/solve-heat'
import type { Protocol } from '#core/quantities/defaults'

/** What the setting time follows from beside water and layers. */
export interface SettingLocally {
  /** As the pack says it, min. */
  readonly packMin: number | null
  readonly protocol: Protocol
}

export type HeatJob =
  | { readonly kind: 'curve'; readonly base: HeatInput }
  | {
      readonly kind: 'points'
      readonly base: HeatInput
      readonly setting: SettingLocally
      readonly points: readonly SweepPoint[]
    }
export type HeatAnswer =
  | { readonly kind: 'curve'; readonly heat: HeatResult }
  | { readonly kind: 'point'; readonly result: SweepResult; readonly isLast: boolean }

const scope = self as unknown as DedicatedWorkerGlobalScope

/** One curve, or a few points of the map, each told as soon as it is known. */
scope.onmessage = ({ data: job }: MessageEvent<HeatJob>) => {
  if (job.kind === 'curve') {
    scope.postMessage({ kind: 'curve', heat: solveHeat(job.base) } satisfies HeatAnswer)
    return
  }
  job.points.forEach((point, index) => {
    const result = solveSweepPoint(job.base, point, job.setting.packMin ?? undefined, job.setting.protocol)
    scope.postMessage({ kind: 'point', result, isLast: index === job.points.length - 1 } satisfies HeatAnswer)
  })
}
