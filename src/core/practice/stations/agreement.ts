import type { StationScore } from './score-station'

/** How far two examiners agree. */
export interface Agreement {
  /** Share of things that both saw alike, 0 to 1; null where there was nothing to see. */
  readonly observed: number | null
  /** Cohen's kappa, −1 to 1; null where both always say the same, so that chance alone explains it. */
  readonly kappa: number | null
  /** Ids of the steps that one saw done and the other did not. */
  readonly apart: readonly string[]
  /** What each said of each step. */
  readonly seen: readonly SeenStep[]
}

/** A step, and whether each of two examiners saw it done. */
export interface SeenStep {
  readonly stepId: string
  readonly isSeen: readonly [boolean, boolean]
}

/**
 * Cohen's kappa of two observers of the same things: (observed − by chance)/(1 − by chance).
 * Source: Cohen, A coefficient of agreement for nominal scales, 1960.
 * @param pairs what each said of one thing
 */
export function cohensKappa(pairs: readonly (readonly [boolean, boolean])[]): Pick<Agreement, 'observed' | 'kappa'> {
  const count = pairs.length
  if (count === 0) return { observed: null, kappa: null }
  const share = (test: (pair: readonly [boolean, boolean]) => boolean): number => pairs.filter(test).length / count
  const observed = share(([one, other]) => one === other)
  const [one, other] = [share((pair) => pair[0]), share((pair) => pair[1])]
  const byChance = one * other + (1 - one) * (1 - other)
  return { observed, kappa: byChance === 1 ? null : (observed - byChance) / (1 - byChance) }
}

/**
 * Agreement of two examiners on the same run, step by step: done or not done.
 * @param stepIds every step of the procedure
 */
export function agreementOn(stepIds: readonly string[], one: StationScore, other: StationScore): Agreement {
  const [first, second] = [one, other].map((score) => new Set(score.steps.map((step) => step.stepId))) as [Set<string>, Set<string>]
  const seen = stepIds.map((stepId): SeenStep => ({ stepId, isSeen: [first.has(stepId), second.has(stepId)] }))
  return {
    ...cohensKappa(seen.map((one) => one.isSeen)),
    apart: seen.flatMap(({ stepId, isSeen: [one, another] }) => (one === another ? [] : [stepId])),
    seen,
  }
}
