/// <reference lib="webworker" />
import type { Move } from '#core/practice/drill/drill-state'
import { finishDrill, type DrillOutcome } from '#core/practice/drill/finish-drill'
import type { Night } from '#core/practice/drill/nights'
import { defaultProtocol } from '#core/quantities/defaults'

/** A night that is over, to be scored beside the computed players. */
export interface DrillJob {
  readonly night: Night
  readonly seed: string
  readonly moves: readonly Move[]
  /** Where it was ended before the morning. */
  readonly endedAtMin?: number | undefined
}
export type DrillReply = DrillOutcome

const scope = self as unknown as DedicatedWorkerGlobalScope
scope.onmessage = ({ data: { night, seed, moves, endedAtMin } }: MessageEvent<DrillJob>) =>
  scope.postMessage(finishDrill(night, seed, moves, defaultProtocol, endedAtMin))
