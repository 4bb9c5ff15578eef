import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { Bench, BenchState } from '#core/practice/bench'
import { readState, writeState } from '#core/practice/read-state'

const pinName = 'pin'
/** The address follows once nothing has been turned for so long: it is for sending, and writing it redraws the whole page. */
const quietMs = 200

export interface BenchAddress {
  readonly state: BenchState
  /** What is pinned beside it; null where nothing is. */
  readonly pin: BenchState | null
  /** What in the address could not be used. */
  readonly problems: readonly string[]
  /** The same from render to render. */
  readonly set: (change: BenchState) => void
  readonly setPin: (pin: BenchState | null) => void
}

/** A bench's state lives in the address, so that it can be sent: only what differs from the usual stands there. */
export function useBenchAddress(bench: Bench): BenchAddress {
  const [params, setParams] = useSearchParams()
  const inAddress = params.toString()
  // What was turned here and is on its way into the address.
  const [ahead, setAhead] = useState<{ readonly from: string; readonly text: string } | null>(null)
  // What was last written there from here: what was turned while it was on its way goes on from it, and is not lost on a slow device.
  const [wrote, setWrote] = useState<string | null>(null)
  const isAhead = ahead !== null && (ahead.from === inAddress || wrote === inAddress)
  const text = isAhead ? ahead.text : inAddress
  const read = useMemo(() => readAddress(bench, text), [bench, text])
  const latest = useRef({ read, inAddress })
  useEffect(() => {
    latest.current = { read, inAddress }
  })
  useEffect(() => {
    if (!isAhead || ahead.text === inAddress) return
    const timer = setTimeout(() => {
      setWrote(ahead.text)
      setParams(new URLSearchParams(ahead.text), { replace: true, preventScrollReset: true })
    }, quietMs)
    return () => clearTimeout(timer)
  }, [ahead, isAhead, inAddress, setParams])
  const set = useCallback(
    (change: BenchState) => {
      const { read: now, inAddress: from } = latest.current
      const state = { ...now.state, ...change }
      latest.current = { read: { ...now, state }, inAddress: from }
      setAhead({ from, text: writeAddress(bench, state, now.pin) })
    },
    [bench],
  )
  const setPin = (pin: BenchState | null): void => {
    setAhead(null)
    setParams(new URLSearchParams(writeAddress(bench, read.state, pin)), { replace: true, preventScrollReset: true })
  }
  return { ...read, set, setPin }
}

function readAddress(bench: Bench, text: string): Pick<BenchAddress, 'state' | 'pin' | 'problems'> {
  const entries = [...new URLSearchParams(text)]
  const kept = entries.find(([name]) => name === pinName)?.[1]
  const now = readState(
    bench,
    entries.filter(([name]) => name !== pinName),
  )
  const pinned = kept === undefined ? null : readState(bench, new URLSearchParams(kept))
  return { state: now.state, pin: pinned?.state ?? null, problems: [...now.problems, ...(pinned?.problems ?? [])] }
}

function writeAddress(bench: Bench, state: BenchState, pin: BenchState | null): string {
  const next = new URLSearchParams(writeState(bench, state).map(([id, value]) => [id, value]))
  if (pin) next.set(pinName, new URLSearchParams(writeState(bench, pin).map(([id, value]) => [id, value])).toString())
  return next.toString()
}
