import { useEffect, useRef } from 'react'
import type { TimerKind } from '#contract/records/run'
import { play, type Tune } from '../parts/sound'

/** Beeps by what has ended, as [pitch Hz, seconds]: limits and the setting clock are the most urgent. */
const tunes: Readonly<Record<TimerKind, Tune>> = {
  wetting: [[660, 0.12]],
  hold: [[520, 0.2]],
  cooling: [[520, 0.2]],
  cure: [[440, 0.3]],
  wait: [[440, 0.3]],
  set: [
    [880, 0.18],
    [660, 0.18],
    [880, 0.18],
  ],
  limit: [
    [988, 0.2],
    [988, 0.2],
    [988, 0.2],
  ],
}

/**
 * Rings once for each timer that has come to its end while the page was open.
 * @param ended what has ended so far: a key that tells one start of a timer from the next, and its kind
 */
export function useAlarm(ended: readonly { readonly key: string; readonly kind: TimerKind }[], isMuted: boolean): void {
  const rung = useRef<Set<string> | null>(null)
  useEffect(() => {
    if (rung.current === null) {
      // What had ended before this page was opened stands on the screen; it does not ring again.
      rung.current = new Set(ended.map((one) => one.key))
      return
    }
    for (const { key, kind } of ended) {
      if (rung.current.has(key)) continue
      rung.current.add(key)
      if (!isMuted) play(tunes[kind])
    }
  }, [ended, isMuted])
}
