import type { AskedRoles } from '#contract/api/people'
import { isPowerful, type Role } from '#contract/rights'

/**
 * What comes of giving somebody roles. Lead and admin are made by two admins where there are two: one asks, another one gives the same again.
 * What was asked before and is not given again is over.
 * @param held the roles that they have, and what was asked for them
 * @param roles those that they are to have
 * @param by the admin who gives them
 * @param hasOtherAdmin whether there is another admin to confirm it: neither this one, nor the one who is to be made something
 */
export function giveRoles(
  held: { readonly roles: readonly Role[]; readonly asked: AskedRoles | null },
  roles: readonly Role[],
  by: { readonly id: string; readonly name: string },
  hasOtherAdmin: boolean,
): { readonly roles: readonly Role[]; readonly asked: AskedRoles | null } {
  const gained = roles.filter((role) => isPowerful(role) && !held.roles.includes(role))
  const { asked } = held
  const isConfirmed = asked !== null && asked.byId !== by.id && gained.every((role) => asked.roles.includes(role))
  if (gained.length === 0 || isConfirmed || !hasOtherAdmin) return { roles, asked: null }
  const rest = roles.filter((role) => !gained.includes(role))
  // Somebody new has to be something until then.
  return { roles: rest.length > 0 ? rest : ['viewer'], asked: { roles: gained, byId: by.id, by: by.name } }
}
