import type { ReactNode } from 'react'

/** What the shell lends to the pages in it. */
export interface ShellParts {
  /** Where a case puts the patient, in the top row; null until that is there. */
  readonly caseSlot: HTMLElement | null
  /** The entries of a menu that lock the screen. */
  readonly lock: ReactNode
}
