import { useCallback, useEffect, useRef, useState } from 'react'
import type { Bench, BenchAnswer, BenchState } from '#core/practice/bench'
import type { BenchJob, BenchReply } from '../../../workers/bench-worker'

export interface WorkedBench {
  /** Of the state as it stands, or of the last one that was worked out. */
  readonly now: BenchAnswer | null
  readonly pinned: BenchAnswer | null
  readonly hasFailed: boolean
  /** Solves for an unknown; null where nothing in range does it. */
  readonly solve: (solver: string, state: BenchState) => Promise<BenchState | null>
}

/** Works out a bench, and what is pinned beside it, in a worker of its own that ends with the screen. */
export function useBench(bench: Bench, state: BenchState, pin: BenchState | null): WorkedBench {
  const worker = useRef<Worker | null>(null)
  const asked = useRef(new Map<string, (state: BenchState | null) => void>())
  const [answers, setAnswers] = useState<Readonly<Record<string, BenchAnswer>>>({})
  const [hasFailed, setFailed] = useState(false)
  const [nowKey, pinKey] = [JSON.stringify(state), pin && JSON.stringify(pin)]
  useEffect(() => {
    const open = asked.current
    const made = new Worker(new URL('../../../workers/bench-worker.ts', import.meta.url), { type: 'module' })
    made.onmessage = ({ data }: MessageEvent<BenchReply>) => {
      setFailed(data.kind === 'failed')
      if (data.kind === 'answer') setAnswers((before) => ({ ...before, [data.key]: data.answer }))
      if (data.kind === 'solved') {
        open.get(data.key)?.(data.state)
        open.delete(data.key)
      }
    }
    made.onerror = () => setFailed(true)
    worker.current = made
    return () => {
      made.terminate()
      worker.current = null
      for (const settle of open.values()) settle(null)
      open.clear()
    }
  }, [bench])
  useEffect(() => {
    worker.current?.postMessage({ key: 'now', bench: bench.id, state: JSON.parse(nowKey) as BenchState } satisfies BenchJob)
  }, [bench, nowKey])
  useEffect(() => {
    if (pinKey === null) return
    worker.current?.postMessage({ key: 'pinned', bench: bench.id, state: JSON.parse(pinKey) as BenchState } satisfies BenchJob)
  }, [bench, pinKey])
  const solve = useCallback(
    (solver: string, from: BenchState) =>
      new Promise<BenchState | null>((resolve) => {
        const key = `solve ${solver}`
        asked.current.set(key, resolve)
        worker.current?.postMessage({ key, bench: bench.id, state: from, solver } satisfies BenchJob)
      }),
    [bench],
  )
  return { now: answers['now'] ?? null, pinned: pin ? (answers['pinned'] ?? null) : null, hasFailed, solve }
}
