import { useSyncExternalStore } from 'react'

const phone = '(max-width: 40rem)'
/** Below it a picture stands over the work, not beside it; as `lg` of the styles. */
const upright = '(width < 64rem)'

/** Whether the screen is as narrow as a phone's, for drawings whose letters must not shrink with it. */
export function useNarrow(): boolean {
  return useMedia(phone)
}

/** Whether what stands side by side on a desk stands one over the other: a phone, or a tablet held upright. */
export function useUpright(): boolean {
  return useMedia(upright)
}

function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query)
      media.addEventListener('change', changed)
      return () => media.removeEventListener('change', changed)
    },
    () => window.matchMedia(query).matches,
  )
}
