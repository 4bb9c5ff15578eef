/**
 * What a step does, as rules see it: a rule that holds for more than one technique names roles, never the ids of steps.
 */
export const stepRoles = [
  'identity',
  'protects',
  'settles',
  'lays-out',
  'baseline',
  'first-touch',
  'feels-points',
  'cuts',
  'pads',
  'hold-taken',
  'hold-released',
  'first-layer',
  'wets',
  'lays-on',
  'wraps',
  'closes',
  'pulls',
  'moulds',
  'holds-to-set',
  'rigid-on',
  'check-after',
  'opens',
  'eases',
  'takes-off',
  'trims',
  'turns',
  'transfers',
  'lowers',
] as const
export type StepRole = (typeof stepRoles)[number]

/** The ids of the steps in a table of roles, those that are numbered by any number: what a step of that technique may name. */
export type StepIdOf<R extends StepRoles> = keyof R extends infer Id
  ? Id extends `${infer Stem}-*`
    ? `${Stem}-${number}`
    : Id & string
  : never

/** What a rule of that technique may name: its steps, and `roll-*` for all that are numbered. */
export type StepNameOf<R extends StepRoles> = StepIdOf<R> | (keyof R & string)

/** The roles of every step of a technique, by step id; `roll-*` stands for steps that are numbered. A step that no rule sees has none. */
export type StepRoles = Readonly<Record<string, readonly StepRole[]>>

/**
 * The roles of a step.
 * @returns undefined for an id that the table does not know
 */
export function rolesIn(table: StepRoles, stepId: string): readonly StepRole[] | undefined {
  return Object.hasOwn(table, stepId) ? table[stepId] : table[numberedId(stepId)]
}

/** The id by which tables know a step that is numbered: `roll-*` of `roll-3`; any other id as it is. */
export function numberedId(stepId: string): string {
  const last = stepId.charCodeAt(stepId.length - 1)
  // Most ids end with a letter: nothing is searched for there.
  return last >= 48 && last <= 57 ? stepId.replace(/-\d+$/, '-*') : stepId
}

/** Whether a step has one of some roles. */
export function hasStepRole(step: { readonly roles?: readonly StepRole[] }, ...wanted: readonly StepRole[]): boolean {
  return Array.isArray(step.roles) && wanted.some((role) => step.roles?.includes(role))
}

/** A device is on from the first of these that is done. */
export const onRoles = ['closes', 'wraps', 'pulls', 'lays-on'] as const satisfies readonly StepRole[]
