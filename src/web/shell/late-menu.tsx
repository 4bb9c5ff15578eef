import { Suspense, useState, type ReactNode } from 'react'
import { CrashBoundary } from './crash-boundary'

/**
 * A button that opens a menu, whose part is fetched when it is first pressed: most people look at the Board before they want one.
 * @param look classes of the button, the same as the menu's own
 * @param children the button's face
 * @param menu the menu with its own button, open
 */
export function LateMenu({ look, children, menu }: { look: string; children: ReactNode; menu: ReactNode }) {
  const [presses, setPresses] = useState(0)
  const button = (
    <button type="button" aria-haspopup="menu" aria-expanded={false} className={look} onClick={() => setPresses(presses + 1)}>
      {children}
    </button>
  )
  if (presses === 0) return button
  return (
    <CrashBoundary at={String(presses)} instead={button}>
      <Suspense fallback={button}>{menu}</Suspense>
    </CrashBoundary>
  )
}
