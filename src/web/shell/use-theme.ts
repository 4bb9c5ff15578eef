import { useEffect } from 'react'
import { useSettings } from '../sync/session-store'

/** Puts the chosen theme on the page; `system` follows the device. */
export function useTheme(): void {
  const { theme } = useSettings()
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)')
    const put = (): void => {
      document.documentElement.dataset['theme'] = theme === 'system' ? (dark.matches ? 'dark' : 'light') : theme
    }
    put()
    dark.addEventListener('change', put)
    return () => dark.removeEventListener('change', put)
  }, [theme])
}
