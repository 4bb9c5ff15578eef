import { useSyncExternalStore } from 'react'

const query = '(max-width: 40rem)'

/** Whether the screen is as narrow as a phone's, for drawings whose letters must not shrink with it. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query)
      media.addEventListener('change', changed)
      return () => media.removeEventListener('change', changed)
    },
    () => window.matchMedia(query).matches,
  )
}
