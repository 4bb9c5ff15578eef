/// <reference lib="webworker" />
import type { HeatInput } from '#core/model/heat-input'
import { solveSweepPoint, type SweepPoint, type SweepResult } from '#core/figures/heat/heat-sweep'
import { solveHeat, type HeatResult } from '#core/figures/heat/solve-heat'
import { defaultProtocol } from '#core/quantities/defaults'

export type HeatJob =
  | { readonly kind: 'curve'; readonly base: HeatInput }
  | { readonly kind: 'points'; readonly base: HeatInput; readonly packMin: number | null; readonly points: readonly SweepPoint[] }
export type HeatAnswer =
  { readonly kind: 'curve'; readonly heat: HeatResult } | { readonly kind: 'point'; readonly result: SweepResult; readonly isLast: boolean }

const scope = self as unknown as DedicatedWorkerGlobalScope

/** One curve, or a few points of the map, each told as soon as it is known. */
scope.onmessage = ({ data: job }: MessageEvent<HeatJob>) => {
  if (job.kind === 'curve') {
    scope.postMessage({ kind: 'curve', heat: solveHeat(job.base) } satisfies HeatAnswer)
    return
  }
  job.points.forEach((point, index) => {
    const result = solveSweepPoint(job.base, point, job.packMin ?? undefined, defaultProtocol)
    scope.postMessage({ kind: 'point', result, isLast: index === job.points.length - 1 } satisfies HeatAnswer)
  })
}
