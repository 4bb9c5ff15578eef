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

/** A question about the screen, asked once and heard from then on: a page that draws anew asks for each part of it. */
function watch(query: string): { readonly subscribe: (changed: () => void) => () => void; readonly matches: () => boolean } {
  let media: MediaQueryList | null = null
  const asked = (): MediaQueryList => (media ??= window.matchMedia(query))
  return {
    subscribe(changed) {
      asked().addEventListener('change', changed)
      return () => asked().removeEventListener('change', changed)
    },
    matches: () => asked().matches,
  }
}

const watched = { [phone]: watch(phone), [upright]: watch(upright) }

function useMedia(query: keyof typeof watched): boolean {
  const { subscribe, matches } = watched[query]
  // Where a picture is drawn without a screen, it is a desk's.
  return useSyncExternalStore(subscribe, matches, () => false)
}
