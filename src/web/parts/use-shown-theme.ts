import { useSyncExternalStore } from 'react'

function subscribe(tell: () => void): () => void {
  const watch = new MutationObserver(tell)
  watch.observe(document.documentElement, { attributeFilter: ['data-theme'] })
  return () => watch.disconnect()
}

/** The theme that is on the page now: what is drawn with its colours on a canvas is drawn anew when it changes. */
export function useShownTheme(): string {
  return useSyncExternalStore(subscribe, () => document.documentElement.dataset['theme'] ?? 'light')
}
