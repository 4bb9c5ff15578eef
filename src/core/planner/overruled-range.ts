import type { Decision } from '../model/decision'
import type { Caution } from '../model/plan'
import { formatValue } from './format-decision'

/** Least and greatest figure, in the unit of the decision. */
export type Ends = readonly [least: number, greatest: number]

/** What a figure that a clinician sets may be in this case, and what happens beyond it. */
export interface OverruleRange {
  /** Beyond it stands stop `outside-safe`. */
  readonly safe?: Ends
  /** Beyond it, and still safe, stands caution `outside-usual`. */
  readonly usual?: Ends
  /** What it does to the patient, as a sentence: of too little, and of too much. */
  readonly harm: { readonly less: string; readonly more: string }
}

/** What stands about a figure set by hand beyond what is safe or usual in this case; null within it, and of what was computed. */
export function outsideRange(decision: Decision, range: OverruleRange | undefined): Omit<Caution, 'steps'> | null {
  const { value, unit, overruled } = decision
  if (!range || !overruled || typeof value !== 'number') return null
  const outside = (ends: Ends | undefined): ends is Ends => ends !== undefined && (value < ends[0] - 1e-9 || value > ends[1] + 1e-9)
  const isUnsafe = outside(range.safe)
  const ends = isUnsafe ? range.safe : outside(range.usual) ? range.usual : null
  if (!ends) return null
  const isLess = value < ends[0]
  const end = formatValue(isLess ? ends[0] : ends[1], unit)
  return {
    level: isUnsafe ? 'stop' : 'caution',
    code: isUnsafe ? 'outside-safe' : 'outside-usual',
    decisions: [decision.id],
    text: `${decision.label} ${decision.display}: at ${isLess ? 'least' : 'most'} ${end} ${isUnsafe ? 'is safe' : 'is usual'} here. Set it again, or take the computed ${overruled.computedDisplay}.`,
    why: isLess ? range.harm.less : range.harm.more,
  }
}
