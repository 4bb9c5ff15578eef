/** What the shell lends to the pages in it; null until it is there. */
export interface ShellParts {
  /** Where a case puts the patient, in the header. */
  readonly caseSlot: HTMLElement | null
  /** Where a case puts the strip, below the header. */
  readonly stripSlot: HTMLElement | null
}
