import { useEffect } from 'react'
import { paths } from '#contract/api/paths'
import { callApi } from '../sync/api'
import { onTouchedElsewhere, sayTouched, setLock } from './lock-store'

const idleMs = 10 * 60_000
const toldEveryMs = 15_000
/** The server locks what is quiet for ten minutes: that somebody works here is said in time. */
const saidEveryMs = 4 * 60_000

/** Locks the screen when nobody has touched it, in any tab, for ten minutes. */
export function useIdleLock(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let toldAt = 0
    let saidAt = performance.now()
    let touchedAtMs = Date.now()
    const wait = (): void => {
      touchedAtMs = Date.now()
      clearTimeout(timer)
      timer = setTimeout(() => setLock('locked'), idleMs)
    }
    const touch = (): void => {
      wait()
      if (performance.now() - toldAt < toldEveryMs) return
      toldAt = performance.now()
      sayTouched()
      if (toldAt - saidAt < saidEveryMs) return
      saidAt = toldAt
      void callApi('GET', paths.session)
    }
    const signs = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const
    for (const sign of signs) window.addEventListener(sign, touch, { passive: true })
    // A tablet that slept has counted nothing: what counts is the time of day.
    const wake = (): void => {
      if (document.visibilityState === 'visible' && Date.now() - touchedAtMs > idleMs) setLock('locked')
    }
    document.addEventListener('visibilitychange', wake)
    window.addEventListener('pageshow', wake)
    const stop = onTouchedElsewhere(wait)
    wait()
    return () => {
      stop()
      document.removeEventListener('visibilitychange', wake)
      window.removeEventListener('pageshow', wake)
      clearTimeout(timer)
      for (const sign of signs) window.removeEventListener(sign, touch)
    }
  }, [])
}
