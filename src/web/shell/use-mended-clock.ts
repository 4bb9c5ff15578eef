import { useEffect } from 'react'
import { callApi } from '../sync/api'
import { mendClock } from '../sync/server-clock'

/** Looks for sleep and turned clocks every few seconds, and whenever the page comes back into sight. */
export function useMendedClock(): void {
  useEffect(() => {
    const ask = async (): Promise<string | null> => {
      const result = await callApi<{ now: string }>('GET', '/api/health')
      return result.kind === 'ok' ? result.value.now : null
    }
    const mend = (): void => void mendClock(ask)
    const timer = setInterval(mend, 3_000)
    document.addEventListener('visibilitychange', mend)
    window.addEventListener('focus', mend)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', mend)
      window.removeEventListener('focus', mend)
    }
  }, [])
}
