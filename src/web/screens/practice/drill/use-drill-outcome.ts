import { useEffect, useState } from 'react'
import type { Move } from '#core/practice/drill/drill-state'
import type { DrillOutcome } from '#core/practice/drill/finish-drill'
import type { Night } from '#core/practice/drill/nights'
import type { DrillJob, DrillReply } from '../../../workers/drill-worker'

/** The score of a night that is over, worked out in a worker; null until it is. */
export function useDrillOutcome(night: Night, seed: string, moves: readonly Move[], endedAtMin: number | undefined): DrillOutcome | null {
  const [outcome, setOutcome] = useState<DrillOutcome | null>(null)
  const key = JSON.stringify([night.id, seed, moves.length, endedAtMin])
  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/drill-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<DrillReply>) => setOutcome(data)
    worker.postMessage({ night, seed, moves, endedAtMin } satisfies DrillJob)
    return () => worker.terminate()
    // The moves of a night that is over do not change: how many they are says which.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key])
  return outcome
}
