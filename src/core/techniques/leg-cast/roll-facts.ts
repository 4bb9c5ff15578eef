import type { StepAngle } from '../../model/step'
import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { CastFormation, CastPart } from './cast-parts'
import type { RollPlaces } from './roll-words'

/** What the steps of the rolls are made from. */
export interface RollFacts extends CastFormation {
  /** The cast as it is divided. */
  readonly parts: readonly CastPart[]
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly angles: readonly StepAngle[]
  readonly ankleWords: string
  /** What is turned back at the edges. */
  readonly edge: 'padding' | 'stocking'
  /** Somebody holds, and tires. */
  readonly isHeldByHand: boolean
  /** By what the ways of the rolls are named; null without measured lengths. */
  readonly places: RollPlaces | null
  /** Layers of a pass by half overlap. */
  readonly passLayers: number
}
