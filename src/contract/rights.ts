/** What an admin gives to people; `emergency` is that of a paired device, and of nothing else. */
export const personRoles = ['viewer', 'trainee', 'clinician', 'lead', 'admin'] as const
export const roles = [...personRoles, 'emergency'] as const
export type Role = (typeof roles)[number]
/** Whether a word is a role. */
export function isRole(word: string): word is Role {
  return (roles as readonly string[]).includes(word)
}

export const rights = ['read', 'add', 'add-own', 'decide', 'manage-people', 'manage-protocols', 'set-teams', 'move', 'train'] as const
export type Right = (typeof rights)[number]

/**
 * Who may do what. `add`: readings, steps, rounds, notes; `add-own`: the same, to a stay that they began themselves. `decide`: accept plans, overrule, remove. `move`: wrongly
 * filed entries. `set-teams`: who works where. `train`: groups that learn, and how they come on.
 * Admin manages people and audit and sees no clinical data.
 */
const rightsByRole: Readonly<Record<Role, readonly Right[]>> = {
  viewer: ['read'],
  trainee: ['read', 'add'],
  clinician: ['read', 'add', 'decide'],
  lead: ['read', 'add', 'decide', 'manage-protocols', 'set-teams', 'move', 'train'],
  admin: ['manage-people', 'set-teams'],
  emergency: ['add-own'],
}

/** Whether a person with these roles has a right: any one role is enough. */
export function hasRight(held: readonly Role[], right: Right): boolean {
  return held.some((role) => rightsByRole[role].includes(right))
}

/** Whether a role lets its holder change people or protocols: two admins make such, where there are two. */
export function isPowerful(role: Role): boolean {
  return hasRight([role], 'manage-people') || hasRight([role], 'manage-protocols')
}

/** Whether somebody may do less with the roles that they are to have. */
export function losesRight(before: readonly Role[], after: readonly Role[]): boolean {
  return rights.some((right) => hasRight(before, right) && !hasRight(after, right))
}

/** Whether this is a paired device's account, which is nobody's: it adds to what was begun on it, and has no password or PIN. */
export function isPairedDevice(held: readonly Role[]): boolean {
  return held.includes('emergency')
}

/** Whose entries act at once and wait for a clinician's name beside theirs. */
export function isCountersigned(held: readonly Role[]): boolean {
  return held.includes('trainee') && !hasRight(held, 'decide')
}

/** Who signs for a senior who has no account, or whose account has ended: a lead. */
export function mayStandIn(held: readonly Role[]): boolean {
  return hasRight(held, 'decide') && hasRight(held, 'set-teams')
}

/** Of whom this server wants an authenticator app beside the password: of nobody, of leads and admins, of everybody. */
export const secondFactorOf = ['nobody', 'leads', 'everybody'] as const
export type SecondFactorOf = (typeof secondFactorOf)[number]

/** Whether somebody has to set up a second factor. Leads and admins: their accounts do the most harm in a stranger's hand. */
export function needsSecondFactor(held: readonly Role[], of: SecondFactorOf): boolean {
  if (isPairedDevice(held) || of === 'nobody') return false
  return of === 'everybody' || held.some(isPowerful)
}

/** Who may begin before a plan is accepted, and says why: a clinician, and whoever has no account in an emergency. */
export function mayBeginWithoutPlan(held: readonly Role[]): boolean {
  return hasRight(held, 'decide') || isPairedDevice(held)
}

/**
 * Who may change side, region or pattern once they were read aloud: a clinician; where nobody with an account is there, whoever began on
 * the device, until a plan is accepted. Anybody who may add answers which limb it is on, and takes it off the wrong one.
 */
export function mayChangeSide(held: readonly Role[], isAccepted: boolean): boolean {
  return hasRight(held, 'decide') || (isPairedDevice(held) && !isAccepted)
}

/** Who may put a round right: whoever entered it, by their id and not by a name that two may have, or a clinician. Page and server both ask here. */
export function mayCorrect(round: { readonly byId?: string }, person: { readonly id: string; readonly roles: readonly Role[] }): boolean {
  return round.byId === person.id || hasRight(person.roles, 'decide')
}
