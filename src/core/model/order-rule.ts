import type { Step } from './step'
import type { StepMust } from './step-must'
import { numberedId, type StepRole } from './step-role'

/** Steps that a rule of order is about: by id (`roll-*` for those that are numbered), or all that have a role. */
export type Which<Name extends string = string> = Name | { readonly role: StepRole }

/** Two steps whose order matters: crossed, it hurts somebody or spoils the work. Any other order is a habit of a house. */
export interface Must<Name extends string = string> {
  readonly first: Which<Name>
  readonly then: Which<Name>
  /** What comes of it when they are crossed. */
  readonly harm: string
}

/** Some steps before others, for one reason. */
export function must<Name extends string = never>(
  first: Which<Name> | readonly Which<Name>[],
  then: Which<Name> | readonly Which<Name>[],
  harm: string,
): readonly Must<Name>[] {
  return [first]
    .flat()
    .flatMap((before) => [then].flat().map((after): Must<Name> => ({ first: before as Which<Name>, then: after as Which<Name>, harm })))
}

/**
 * The musts of each step of a procedure, by step id; a step that nothing binds has an empty list. What is the same step, or comes later by the
 * procedure itself, is none: a rule by role holds for what is there. Steps are looked up once by id and by role, not once for each rule.
 */
export function mustsOf(rules: readonly Must[], steps: readonly Step[]): ReadonlyMap<string, readonly StepMust[]> {
  const found = new Map<string, StepMust[]>(steps.map(({ id }) => [id, []]))
  const meant = placesByName(steps)
  for (const { first, then, harm } of rules) {
    const befores = meant.get(nameOf(first)) ?? []
    for (const at of meant.get(nameOf(then)) ?? []) {
      const list = found.get(steps[at]!.id)!
      for (const before of befores) {
        const { id } = steps[before]!
        if (before < at && !list.some((known) => known.before === id)) list.push({ before: id, harm })
      }
    }
  }
  return found
}

/** Where the steps stand that a rule may name: by id, by the id of numbered ones, by role. */
function placesByName(steps: readonly Step[]): ReadonlyMap<string, readonly number[]> {
  const places = new Map<string, number[]>()
  const add = (name: string, at: number): void => {
    const known = places.get(name)
    if (known) known.push(at)
    else places.set(name, [at])
  }
  steps.forEach(({ id, roles }, at) => {
    add(id, at)
    const numbered = numberedId(id)
    if (numbered !== id) add(numbered, at)
    for (const role of roles) add(nameOf({ role }), at)
  })
  return places
}

/** What a rule names, as one text: an id never begins with an @. */
function nameOf(which: Which): string {
  return typeof which === 'string' ? which : `@${which.role}`
}
