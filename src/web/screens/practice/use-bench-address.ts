import { useCallback, useMemo } from 'react'
import { useSearchParams } from 'react-router'
import type { Bench, BenchState } from '#core/practice/bench'
import { readState, writeState } from '#core/practice/read-state'

const pinName = 'pin'

export interface BenchAddress {
  readonly state: BenchState
  /** What is pinned beside it; null where nothing is. */
  readonly pin: BenchState | null
  /** What in the address could not be used. */
  readonly problems: readonly string[]
  readonly set: (change: BenchState) => void
  readonly setPin: (pin: BenchState | null) => void
}

/** A bench's state lives in the address, so that it can be sent: only what differs from the usual stands there. */
export function useBenchAddress(bench: Bench): BenchAddress {
  const [params, setParams] = useSearchParams()
  const text = params.toString()
  const read = useMemo(() => {
    const entries = [...new URLSearchParams(text)]
    const kept = entries.find(([name]) => name === pinName)?.[1]
    const now = readState(
      bench,
      entries.filter(([name]) => name !== pinName),
    )
    const pinned = kept === undefined ? null : readState(bench, new URLSearchParams(kept))
    return { state: now.state, pin: pinned?.state ?? null, problems: [...now.problems, ...(pinned?.problems ?? [])] }
  }, [bench, text])
  const write = useCallback(
    (state: BenchState, pin: BenchState | null) => {
      const next = new URLSearchParams(writeState(bench, state).map(([id, value]) => [id, value]))
      if (pin) next.set(pinName, new URLSearchParams(writeState(bench, pin).map(([id, value]) => [id, value])).toString())
      setParams(next, { replace: true, preventScrollReset: true })
    },
    [bench, setParams],
  )
  return {
    ...read,
    set: (change) => write({ ...read.state, ...change }, read.pin),
    setPin: (pin) => write(read.state, pin),
  }
}
