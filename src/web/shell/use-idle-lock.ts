import { useEffect } from 'react'
import { setLock } from './lock-store'

const idleMs = 10 * 60_000

/** Locks the screen when nobody has touched it for ten minutes. */
export function useIdleLock(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const wait = (): void => {
      clearTimeout(timer)
      timer = setTimeout(() => setLock('locked'), idleMs)
    }
    const signs = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const
    for (const sign of signs) window.addEventListener(sign, wait, { passive: true })
    wait()
    return () => {
      clearTimeout(timer)
      for (const sign of signs) window.removeEventListener(sign, wait)
    }
  }, [])
}
