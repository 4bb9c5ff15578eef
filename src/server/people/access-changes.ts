import type { Sequelize, Transaction } from 'sequelize'
import type { AccessBody } from '#contract/events/people/access'
import { isPairedDevice } from '#contract/rights'
import { inTransaction } from '../db/in-transaction'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import { ownEvent, appendNext } from '../ledger/chain-event'
import type { EventRepository } from '../repositories/events'
import type { Account, PeopleRepository } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import type { TryCounter } from './count-tries'
import { verifyPassword } from './password'
import type { OpenSession } from './sign-in'

export interface AccessDeps {
  readonly db: Sequelize
  readonly people: PeopleRepository
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly tries: TryCounter
  readonly clock: Clock
}

/** Who makes a change. */
export type By = Pick<Account, 'id' | 'name'>

/** A device is paired or not: it has no role of a person, and no password that somebody types. @throws ApiError 409 for a device */
export function keepDevice({ roles }: Account): void {
  if (isPairedDevice(roles)) throw new ApiError(409, 'paired-device', 'This is a paired device: it can only be unpaired, or paired again.')
}

/** What every change of somebody's access goes through: it is an event of that person, by whoever made it. */
export function createAccessChanges({ db, people, events, streams, tries, clock }: AccessDeps) {
  /** Writes what was changed of a person, together with the change. */
  function change<T>(id: string, body: AccessBody, by: By, work: (transaction: Transaction) => Promise<T>): Promise<T> {
    return inTransaction(db, async (transaction) => {
      const before = await streams.lockHead('person', id, transaction)
      const receivedAt = new Date(clock()).toISOString()
      const unchained = ownEvent({ type: 'person', id }, 'access', body, { actor: by.id, actorName: by.name, receivedAt })
      const { head } = await appendNext(events, unchained, before, transaction)
      await people.saveHead(id, head, transaction)
      return work(transaction)
    })
  }

  /** The password again, inside of a session: counted by the session. */
  async function provePassword({ account, sessionId }: OpenSession, password: string, path: 'password' | 'current'): Promise<void> {
    const wasRight = await tries.beginInside({ signIn: account.signIn, sessionId })
    if (!(await verifyPassword(password, account.passwordHash)))
      throw invalidInput([
        { code: 'format', path, message: `The password ${path === 'current' ? 'of now ' : ''}is not right: type it again.` },
      ])
    await wasRight()
  }

  return { change, provePassword }
}

export type AccessChanges = ReturnType<typeof createAccessChanges>
