import { useSyncExternalStore } from 'react'
import { momentIn, startOfDay } from '../parts/format-time'
import { serverNow } from './server-clock'

const everyMs = 20_000

/** A day that has begun is heard within 20 s, at once when the page is looked at again. */
function subscribe(tell: () => void): () => void {
  const timer = setInterval(tell, everyMs)
  document.addEventListener('visibilitychange', tell)
  return () => {
    clearInterval(timer)
    document.removeEventListener('visibilitychange', tell)
  }
}

const today = (): number => startOfDay(serverNow())

/**
 * How a screen says a moment, by the server's day: "today 04:39"; it is said anew when the day changes.
 * @returns the words of a moment, ms since the epoch; behind one of the same day in a list (`beforeMs`) its time alone
 */
export function useMoment(): (atMs: number, beforeMs?: number) => string {
  const dayMs = useSyncExternalStore(subscribe, today)
  return (atMs, beforeMs) => momentIn(dayMs, atMs, beforeMs)
}

/** The moment of the line above one in a list, for `useMoment`; none above the first. */
export function momentBefore(lines: readonly { readonly at: string }[], index: number): number | undefined {
  const above = lines[index - 1]
  return above ? Date.parse(above.at) : undefined
}
