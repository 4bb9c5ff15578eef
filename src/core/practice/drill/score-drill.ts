import type { DrillState } from './drill-state'

/** What a night is scored by, and the score: 100 − 12·H − 4·U − 3·N − L, not below 0. */
export interface DrillScore {
  /** H: limb-hours above the limit that who knew the truth would have spared. */
  readonly avoidableH: number
  /** U: urgent findings that were shown and not answered within 15 min. */
  readonly unanswered: number
  /** N: openings of what was not urgent and would have had room until morning. */
  readonly needless: number
  /** L: rounds and checks later than their grace. */
  readonly late: number
  /** 0 to 100, to one place. */
  readonly score: number
}

const worth = { hour: 12, unanswered: 4, needless: 3, late: 1 } as const

/**
 * Scores a night that is over.
 * @param perfect the same night as who knows the truth played it: what they could not spare nobody could
 */
export function scoreDrill(played: DrillState, perfect: DrillState): DrillScore {
  const avoidableH =
    played.beds.reduce((sum, bed, index) => sum + Math.max(0, bed.tally.aboveMin - (perfect.beds[index]?.tally.aboveMin ?? 0)), 0) / 60
  const sum = (of: 'unanswered' | 'needless' | 'late'): number => played.beds.reduce((all, bed) => all + bed.tally[of], 0)
  const [unanswered, needless, late] = [sum('unanswered'), sum('needless'), sum('late')]
  const score = 100 - worth.hour * avoidableH - worth.unanswered * unanswered - worth.needless * needless - worth.late * late
  return { avoidableH, unanswered, needless, late, score: Math.max(0, Math.round(score * 10) / 10) }
}
