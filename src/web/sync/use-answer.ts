import { useCallback, useEffect, useRef, useState } from 'react'
import { callApi } from './api'
import { useHints } from './live-stream'
import { onTaken } from './outbox'
import { setServerClock } from './server-clock'
import { currentDurable } from './session-store'

/** What the server says at an address, as far as it is known here. */
export interface ServerAnswer<T> {
  readonly answer: T | null
  /** Why it could not be read just now, in words; null while it could. */
  readonly refusal: string | null
  readonly reload: () => Promise<void>
}

const usuallyMs = 30_000

/**
 * Reads an address and keeps it current: when something was written here or anywhere, and every half minute. Without a line it shows what
 * this device read last, with the time that the answer carries.
 * @param path null while there is nothing to read
 * @param everyMs how often it is read, where somebody waits for it
 */
export function useAnswer<T extends { readonly now?: string }>(path: string | null, everyMs = usuallyMs): ServerAnswer<T> {
  const [read, setRead] = useState<{ readonly path: string; readonly answer: T } | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const hints = useHints((store) => store.count)
  const asked = useRef(0)
  const shown = useRef(0)
  const reload = useCallback(async () => {
    if (path === null) return
    const turn = ++asked.current
    const result = await callApi<T>('GET', path)
    // What was asked later has answered already: this one tells how it was before.
    if (turn < shown.current) return
    if (result.kind === 'ok') {
      shown.current = turn
      if (result.value.now) setServerClock(result.value.now)
      setRead({ path, answer: result.value })
      setRefusal(null)
      void currentDurable()?.writeAnswer(path, result.value)
      return
    }
    const kept = result.kind === 'refused' ? undefined : await currentDurable()?.readAnswer<T>(path)
    setRead((shown) => (shown?.path === path ? shown : kept ? { path, answer: kept } : null))
    setRefusal(result.kind === 'refused' ? result.problem.detail : 'No connection: what you see is as old as it says.')
  }, [path])
  useEffect(() => {
    void reload()
    const timer = setInterval(() => void reload(), everyMs)
    return () => clearInterval(timer)
  }, [reload, hints, everyMs])
  useEffect(() => onTaken(() => void reload()), [reload])
  return { answer: read?.path === path ? read.answer : null, refusal, reload }
}
