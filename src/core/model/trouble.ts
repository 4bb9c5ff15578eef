/** Something that goes wrong while a technique is applied or worn, and what to do about it, in order. */
export interface Trouble {
  readonly id: string
  /** As somebody at the bedside would say it. */
  readonly label: string
  readonly actions: readonly string[]
  /** Whether it cannot wait: the list is then shown before anything is asked. */
  readonly isUrgent: boolean
}
