import type { Step } from './step'
import type { StepMust } from './step-must'
import { hasStepRole, type StepRole } from './step-role'

/** Steps that a rule of order is about: by id (`roll-*` for those that are numbered), or all that have a role. */
export type Which = string | { readonly role: StepRole }

/** Two steps whose order matters: crossed, it hurts somebody or spoils the work (HAND 1). Any other order is a habit of a house. */
export interface Must {
  readonly first: Which
  readonly then: Which
  /** What comes of it when they are crossed. */
  readonly harm: string
}

/** Some steps before others, for one reason. */
export function must(first: Which | readonly Which[], then: Which | readonly Which[], harm: string): readonly Must[] {
  return [first].flat().flatMap((one) => [then].flat().map((two): Must => ({ first: one as Which, then: two as Which, harm })))
}

/**
 * The musts of each step of a procedure, by step id. What is the same step, or comes later by the procedure itself, is none: a rule by role holds
 * for what is there.
 */
export function mustsOf(rules: readonly Must[], steps: readonly Step[]): ReadonlyMap<string, readonly StepMust[]> {
  const found = new Map<string, StepMust[]>()
  const placeOf = new Map(steps.map((step, index) => [step.id, index]))
  for (const { first, then, harm } of rules) {
    const firsts = steps.filter((step) => isMeant(step, first))
    for (const step of steps.filter((each) => isMeant(each, then))) {
      for (const { id } of firsts) {
        if ((placeOf.get(id) ?? 0) >= (placeOf.get(step.id) ?? 0)) continue
        const list = found.get(step.id) ?? []
        if (!list.some(({ before }) => before === id)) found.set(step.id, [...list, { before: id, harm }])
      }
    }
  }
  return found
}

function isMeant(step: Step, which: Which): boolean {
  if (typeof which !== 'string') return hasStepRole(step, which.role)
  return step.id === which || step.id.replace(/-\d+$/, '-*') === which
}
