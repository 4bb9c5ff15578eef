import { useEffect } from 'react'

/** Says in the title of the tab how many are urgent, for whoever works in another one. */
export function useTitleBadge(urgent: number): void {
  useEffect(() => {
    const before = document.title.replace(/^\(\d+ urgent\) /, '')
    document.title = urgent > 0 ? `(${urgent} urgent) ${before}` : before
    return () => {
      document.title = before
    }
  }, [urgent])
}
