import { useEffect } from 'react'

/** Keeps the screen awake while `isWanted`, where the device allows it. */
export function useWakeLock(isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    let isOver = false
    const take = (): void => {
      if (document.visibilityState === 'visible')
        navigator.wakeLock.request('screen').then(
          (taken) => {
            lock = taken
            if (isOver) void taken.release()
          },
          () => {
            lock = null
          },
        )
    }
    take()
    document.addEventListener('visibilitychange', take)
    return () => {
      isOver = true
      document.removeEventListener('visibilitychange', take)
      void lock?.release()
    }
  }, [isWanted])
}
