import { useEffect } from 'react'
import { onTouchedElsewhere, sayTouched, setLock } from './lock-store'

const idleMs = 10 * 60_000
const toldEveryMs = 15_000

/** Locks the screen when nobody has touched it, in any tab, for ten minutes. */
export function useIdleLock(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let toldAt = 0
    const wait = (): void => {
      clearTimeout(timer)
      timer = setTimeout(() => setLock('locked'), idleMs)
    }
    const touch = (): void => {
      wait()
      if (performance.now() - toldAt < toldEveryMs) return
      toldAt = performance.now()
      sayTouched()
    }
    const signs = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const
    for (const sign of signs) window.addEventListener(sign, touch, { passive: true })
    const stop = onTouchedElsewhere(wait)
    wait()
    return () => {
      stop()
      clearTimeout(timer)
      for (const sign of signs) window.removeEventListener(sign, touch)
    }
  }, [])
}
