import { useEffect, useState } from 'react'
import { serverNow } from './server-clock'

/** The server's time, ms since the epoch, renewed every `everyMs`. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), everyMs)
    const wake = (): void => setNow(serverNow())
    document.addEventListener('visibilitychange', wake)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', wake)
    }
  }, [everyMs])
  return now
}
