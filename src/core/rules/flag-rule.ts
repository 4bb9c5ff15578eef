import type { CautionLevel } from '../model/plan'
import type { StepRole } from '../model/step-role'
import type { Flag } from '../model/vocabulary'

/** A caution or stop that a flag or pattern raises by itself. */
export interface FlagRule {
  readonly flag: Flag
  /** Set beside it, this lifts it. */
  readonly unless?: Flag
  readonly level: CautionLevel
  /** It stands on once the device is on. */
  readonly lasts?: true
  /** A stop that nobody sets aside. */
  readonly isFloor?: true
  readonly text: string
  readonly why: string
  readonly decisions?: readonly string[]
  /** Roles of the steps at which it bites, in every technique that puts this on. */
  readonly at?: readonly StepRole[]
  /** Steps that it bites at beside those, by id: the shared ones that begin an application, or the very straps and parts it is about. */
  readonly steps?: readonly string[]
}
