import type { CautionLevel } from '../model/plan'
import type { Flag } from '../model/vocabulary'

/** A caution or stop that a flag or pattern raises by itself. */
export interface FlagRule {
  readonly flag: Flag
  /** Set beside it, this lifts it. */
  readonly unless?: Flag
  readonly level: CautionLevel
  readonly text: string
  readonly why: string
  readonly decisions?: readonly string[]
  readonly steps?: readonly string[]
}
