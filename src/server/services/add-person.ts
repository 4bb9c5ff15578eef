import { v7 as uuidv7 } from 'uuid'
import type { Sequelize } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import type { Role } from '#contract/rights'
import type { Clock } from '../ground/clock'
import type { EventRepository } from '../repositories/events'
import type { PeopleRepository } from '../repositories/people'
import { hashPassword, type HashCost } from './password'

const genesis = '0'.repeat(64)

/**
 * Adds a person who can sign in, as the first event of their own stream. The password is never in the event.
 * @param cost of its hash, where it is not the usual one
 */
export async function addPerson(
  deps: { db: Sequelize; people: PeopleRepository; events: EventRepository; clock: Clock },
  person: { id: string; name: string; signIn: string; password: string; roles: readonly Role[] },
  cost?: HashCost,
): Promise<void> {
  const { id, name, signIn, roles, password } = person
  const passwordHash = await hashPassword(password, cost)
  const now = new Date(deps.clock()).toISOString()
  const event: StoredEvent = {
    id: uuidv7(),
    stream: { type: 'person', id },
    kind: 'person-added',
    v: 1,
    body: { name, roles },
    at: now,
    offsetMs: 0,
    actor: 'system',
    actorName: 'Set-up',
    receivedAt: now,
    version: 1,
  }
  await deps.db.transaction(async (transaction) => {
    const headHash = await deps.events.insert(event, genesis, transaction)
    await deps.people.create({ id, name, signIn, passwordHash, roles }, { version: 1, headHash }, transaction)
  })
}
