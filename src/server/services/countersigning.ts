import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import type { CountersignedBody } from '#contract/events/countersigned'
import { findEventKind } from '#contract/events/index'
import { isCountersigned } from '#contract/rights'
import { invalidInput } from '../ground/api-error'
import type { Actor, AppendDeps } from './writing'

type Deps = Pick<AppendDeps, 'countersigns'>

/** Notes that an entry of a trainee waits for a clinician's name. It acts at once all the same. */
export async function awaitCountersign(
  { countersigns }: Deps,
  event: StoredEvent,
  actor: Actor,
  episodeId: string,
  transaction: Transaction,
): Promise<void> {
  if (isCountersigned(actor.roles) && !findEventKind(event.kind)?.isOfNoPatient) await countersigns.wait(event, episodeId, transaction)
}

/**
 * Puts a clinician's name beside entries of a stay: all of them, or none.
 * @throws ApiError 422 where one is signed already, is not of this stay, or is their own
 */
export async function countersign({ countersigns }: Deps, event: StoredEvent, transaction: Transaction): Promise<void> {
  const { events } = event.body as CountersignedBody
  const by = { id: event.actor, name: event.actorName, at: new Date(event.receivedAt) }
  const signed = await countersigns.sign(events, event.stream.id, by, transaction)
  if (signed === events.length) return
  throw invalidInput([
    {
      code: 'not-known',
      path: 'body/events',
      message: 'Some of these were signed meanwhile, or do not wait in this stay: look at the list again and sign what is left.',
    },
  ])
}
