import type { RollChoice } from '../../figures/wraps/roll-choice'
import { hasFlag, type ClinicalCase } from '../../model/clinical-case'
import type { Post } from '../../model/step-line'
import type { OptionValues } from '../../planner/technique'
import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { CastPart } from './cast-parts'
import type { CastRolls } from './roll-zones'
import type { RollPlaces } from './roll-words'

/** What the steps of a cast are made from. */
export interface CastFacts {
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly isLong: boolean
  /** The injury is nearer to the ankle than to the knee. */
  readonly isLowInjury: boolean
  readonly isPlaster: boolean
  readonly set: DecidedSetting
  readonly rolls: CastRolls
  readonly parts: readonly CastPart[]
  /** By what the ways of the rolls are named; null without measured lengths. */
  readonly places: RollPlaces | null
  readonly passLayers: number
  /** Padding rolls by width; null before there is a limb to count them for. */
  readonly padding: RollChoice | null
  readonly kneeWords: string
  /** The aim of the knee's school, degrees. */
  readonly kneeDeg: number
  readonly ankleWords: string
  /** Null while the ordered angle is not entered. */
  readonly ankleDeg: number | null
  readonly openingMin: number
  readonly isFresh: boolean
}

/** Who holds the foot: a helper, or the chest of whoever applies. */
export function isOnChest({ options }: Pick<CastFacts, 'options'>): boolean {
  return options['foot-hold'] === 'own-chest'
}

/** Short, held by one's own chest: the calf needs a prop, for nobody else lifts it. */
export function isProppedCalf(facts: CastFacts): boolean {
  return isOnChest(facts) && !facts.isLong && liesOut(facts.options)
}

/** The leg lies, or is held out: face down the shin stands, and over an edge it hangs. */
export function liesOut({ position }: OptionValues): boolean {
  return position !== 'face-down' && position !== 'hanging'
}

/** Whoever of the holders speaks for all of them; null where a chest and a prop do it alone. */
export function holderOf(facts: CastFacts): Post | null {
  if (!isOnChest(facts)) return 'foot'
  if (facts.isLong) return 'side'
  return hasFlag(facts.clinicalCase, 'cannot-be-moved') ? 'legs' : null
}
