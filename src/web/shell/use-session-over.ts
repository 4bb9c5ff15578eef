import { useEffect } from 'react'
import { onSessionOver } from '../sync/api'
import { flushOutbox } from '../sync/outbox'
import { useSession } from '../sync/session-store'
import { setLock, useLock } from '../sync/lock-store'

/**
 * When the session has ended: whoever was signed in signs in again over what they did; a paired device that is worked on without an account
 * opens another one by itself, as long as it is paired and nobody locked the screen.
 */
export function useSessionOver(isEmergency: boolean): void {
  useEffect(() => {
    let isOpening = false
    return onSessionOver(() => {
      if (!isEmergency || useLock.getState().mode === 'locked') return setLock('ended')
      if (isOpening) return
      isOpening = true
      void useSession
        .getState()
        .enterEmergency()
        .then((outcome) => {
          isOpening = false
          if ('refusal' in outcome) setLock('ended')
          else flushOutbox()
        })
    })
  }, [isEmergency])
}
