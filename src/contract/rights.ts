export const roles = ['viewer', 'trainee', 'clinician', 'lead', 'admin'] as const
export type Role = (typeof roles)[number]

export const rights = ['read', 'add', 'decide', 'manage-people', 'manage-protocols', 'move'] as const
export type Right = (typeof rights)[number]

/**
 * Who may do what. `add`: readings, steps, rounds, notes. `decide`: accept plans, overrule, remove. `move`: wrongly
 * filed entries.
 * Admin manages people and audit and sees no clinical data.
 */
const rightsByRole: Readonly<Record<Role, readonly Right[]>> = {
  viewer: ['read'],
  trainee: ['read', 'add'],
  clinician: ['read', 'add', 'decide'],
  lead: ['read', 'add', 'decide', 'manage-protocols', 'move'],
  admin: ['manage-people'],
}

/** Whether a person with these roles has a right: any one role is enough. */
export function hasRight(held: readonly Role[], right: Right): boolean {
  return held.some((role) => rightsByRole[role].includes(right))
}

/** Who may put a round right: whoever entered it, or a clinician. Page and server both ask here. */
export function mayCorrect(round: { readonly by: string }, person: { readonly name: string; readonly roles: readonly Role[] }): boolean {
  return round.by === person.name || hasRight(person.roles, 'decide')
}
