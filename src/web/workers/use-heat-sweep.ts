import { useCallback, useEffect, useRef, useState } from 'react'
import type { HeatInput } from '#core/model/heat-input'
import { sweepPoints, type SweepResult } from '#core/figures/heat/heat-sweep'
import type { SettingLocally } from './heat-worker'
import { runSweep, type SweepRun } from './sweep-pool'

export const sweepSize = { water: 16, layers: 14 } as const
export type SweepStatus = 'idle' | 'running' | 'done' | 'cancelled' | 'failed'

export interface HeatSweep {
  readonly status: SweepStatus
  readonly results: readonly SweepResult[]
  readonly total: number
  /** Starts, or goes on with the points that are not known yet. */
  start(): void
  cancel(): void
}

/** The water × layers map of one slab, worked out in workers; it starts anew when what it is about changes. */
export function useHeatSweep(base: HeatInput, setting: SettingLocally): HeatSweep {
  const key = JSON.stringify([{ ...base, waterC: 0, layers: 0, setMin: 0 }, setting])
  const [state, setState] = useState<{ key: string; status: SweepStatus; results: readonly SweepResult[] }>({
    key,
    status: 'idle',
    results: [],
  })
  const running = useRef<SweepRun | null>(null)
  const pending = useRef<SweepResult[]>([])
  useEffect(
    () => () => {
      running.current?.cancel()
      running.current = null
    },
    [key],
  )
  const isCurrent = state.key === key
  const results = isCurrent ? state.results : []
  const points = sweepPoints(sweepSize.water, sweepSize.layers)

  const start = useCallback(() => {
    const known = new Set(results.map((result) => `${result.waterC} ${result.layers}`))
    const rest = points.filter((point) => !known.has(`${point.waterC} ${point.layers}`))
    pending.current = [...results]
    setState({ key, status: rest.length === 0 ? 'done' : 'running', results })
    let isFlushing = false
    // Results come by the dozen a second: they are shown ten times a second.
    const flush = (): void => {
      if (isFlushing) return
      isFlushing = true
      setTimeout(() => {
        isFlushing = false
        setState((before) => (before.key === key ? { ...before, results: [...pending.current] } : before))
      }, 100)
    }
    const finish = (status: SweepStatus) => (): void => {
      running.current = null
      setState({ key, status, results: [...pending.current] })
    }
    running.current?.cancel()
    running.current = runSweep(base, setting, rest, poolSize(), {
      onResults: (found) => {
        pending.current.push(...found)
        flush()
      },
      onDone: finish('done'),
      onFailed: finish('failed'),
    })
    // `points` is the same for every call.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key, results])
  const cancel = useCallback(() => {
    running.current?.cancel()
    running.current = null
    setState((before) => ({ ...before, status: 'cancelled', results: [...pending.current] }))
  }, [])
  return { status: isCurrent ? state.status : 'idle', results, total: points.length, start, cancel }
}

/** One core is left to the page. */
function poolSize(): number {
  return Math.max(2, Math.min(6, (navigator.hardwareConcurrency || 2) - 1))
}
