import { findEventKind, type EventKindId } from '#contract/events/index'
import { hasRight } from '#contract/rights'
import type { Actor } from '../ledger/writing'
import { refuseRole } from './refuse'

/**
 * Whether somebody may bring an event about by writing another: by the right of its own kind, as if they had sent it. What only the
 * server writes, it writes.
 */
function mayCause({ roles }: Pick<Actor, 'roles'>, kind: EventKindId): boolean {
  const right = findEventKind(kind)?.right
  if (right === 'server') return true
  if (right === undefined || right === 'self') return false
  // Whose stay it is was asked of the event that was sent.
  return hasRight(roles, right) || (right === 'add' && hasRight(roles, 'add-own'))
}

/** Refuses an event that would write another one that its writer may not write. @throws ApiError 403 */
export function requireRight(actor: Actor, kind: EventKindId): void {
  if (!mayCause(actor, kind))
    refuseRole(`Your role (${actor.roles.join(', ')}) may not write ${kind}, which follows from this: ask a clinician.`)
}
