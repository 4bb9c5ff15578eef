import type { Sequelize } from 'sequelize'
import type { Role } from '#contract/rights'
import type { Clock } from '../ground/clock'
import type { EventRepository } from '../repositories/events'
import type { PeopleRepository } from '../repositories/people'
import { headOf } from '../repositories/streams'
import { ownEvent, appendNext } from '../ledger/chain-event'

/**
 * Adds a person who can sign in, as the first event of their own stream. The password is never in the event.
 * @param by who adds them
 */
export async function addPerson(
  deps: { db: Sequelize; people: PeopleRepository; events: EventRepository; clock: Clock },
  person: { id: string; name: string; signIn: string; passwordHash: string; roles: readonly Role[] },
  by: { readonly id: string; readonly name: string } = { id: 'system', name: 'Set-up' },
): Promise<void> {
  const { id, name, signIn, roles, passwordHash } = person
  const receivedAt = new Date(deps.clock()).toISOString()
  const unchained = ownEvent({ type: 'person', id }, 'person-added', { name, roles }, { actor: by.id, actorName: by.name, receivedAt })
  await deps.db.transaction(async (transaction) => {
    const { head } = await appendNext(deps.events, unchained, headOf(null), transaction)
    await deps.people.create({ id, name, signIn, passwordHash, roles }, head, transaction)
  })
}
