import type { Danger } from './danger'
import type { TimerKind } from './step'
import type { Level } from './finding'

/** Something that goes wrong while a technique is applied or worn, and what to do about it, in order. */
export interface Trouble {
  readonly id: string
  /** As somebody at the bedside would say it. */
  readonly label: string
  readonly actions: readonly string[]
  /** What it is worth as long as it stands; `none` leaves nothing standing. Urgent ones show their list before anything is asked. */
  readonly level: Exclude<Level, 'known'>
  /**
   * What a round looks at to end it: an item of the injured limb, `feeling` or `movement` for all of theirs, or an item of the block that
   * is watched. Without one, or where no round of this case looks at it, a person ends it, with a word.
   */
  readonly item?: string
  /** What danger it is, where its item does not say so; an urgent one without either is answered by its own steps. */
  readonly danger?: Danger
  /** Clocks of the run that it ends: what they wait for is there now. */
  readonly endsClocks?: readonly TimerKind[]
}
