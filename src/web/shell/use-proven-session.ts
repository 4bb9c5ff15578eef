import { useEffect } from 'react'
import { flushOutbox } from '../sync/outbox'
import { useSession } from '../sync/session-store'

const againMs = 5_000

/** Where the application was started without the server: asks again until it answers, then sends what waited. */
export function useProvenSession(): void {
  const isUnproven = useSession((store) => store.state.status === 'signed-in' && store.state.isUnproven === true)
  const load = useSession((store) => store.load)
  useEffect(() => {
    if (!isUnproven) return
    const again = (): void => void load().then(flushOutbox)
    const timer = setInterval(again, againMs)
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [isUnproven, load])
}
