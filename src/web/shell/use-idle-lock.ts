import { useEffect } from 'react'
import { paths } from '#contract/api/paths'
import { runInHand } from '#ward/case/work-in-hand'
import { callApi } from '../sync/api'
import { caseInHand } from '../sync/case-store'
import { pairedDevices } from '../sync/instrument-store'
import { serverNow } from '../sync/server-clock'
import { onTouchedElsewhere, sayTouched, setLock } from '../sync/lock-store'

const idleMs = 10 * 60_000
/** Hands that hold a limb touch no glass: while a run is open here, its timer, its step and the way to say that something is wrong stay. */
const idleInRunMs = 60 * 60_000
const toldEveryMs = 15_000
/** The server locks what is quiet for ten minutes: that somebody works here is said in time. */
const saidEveryMs = 4 * 60_000

/** How long nobody has to do anything here before the screen is locked. */
function longestIdleMs(): number {
  const open = caseInHand()
  return open && runInHand(open.record, serverNow()) ? idleInRunMs : idleMs
}

/**
 * Locks the screen when nobody has done anything, in any tab, for ten minutes, or for an hour while a run is open: touch, key, pedal, or the
 * reading of an instrument.
 */
export function useIdleLock(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let toldAt = 0
    let saidAt = performance.now()
    let touchedAtMs = Date.now()
    const wait = (): void => {
      touchedAtMs = Date.now()
      clearTimeout(timer)
      timer = setTimeout(lockIfLeft, idleMs)
    }
    /** A run may have been opened, or ended, since somebody was here. */
    const lockIfLeft = (): void => {
      const leftMs = longestIdleMs() - (Date.now() - touchedAtMs)
      if (leftMs <= 0) return setLock('locked')
      clearTimeout(timer)
      timer = setTimeout(lockIfLeft, Math.min(leftMs, idleMs))
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
      if (document.visibilityState === 'visible' && Date.now() - touchedAtMs > longestIdleMs()) setLock('locked')
    }
    document.addEventListener('visibilitychange', wake)
    window.addEventListener('pageshow', wake)
    const stop = onTouchedElsewhere(wait)
    const stopReadings = Object.values(pairedDevices).map(({ use }) =>
      use.subscribe(({ held }, before) => {
        if (held !== before.held) touch()
      }),
    )
    wait()
    return () => {
      stop()
      for (const stopReading of stopReadings) stopReading()
      document.removeEventListener('visibilitychange', wake)
      window.removeEventListener('pageshow', wake)
      clearTimeout(timer)
      for (const sign of signs) window.removeEventListener(sign, touch)
    }
  }, [])
}
