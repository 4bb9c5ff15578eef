import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import { findEventKind, type BodyOf } from '#contract/events/index'
import { isCountersigned } from '#contract/rights'
import type { Actor, AppendDeps } from './writing'

type Deps = Pick<AppendDeps, 'countersigns'>

/**
 * Notes that an entry of a trainee, one that nobody confirms, or what a senior said by telephone, waits for a clinician's name. It acts at once
 * all the same.
 */
export async function awaitCountersign(
  { countersigns }: Deps,
  event: StoredEvent,
  actor: Actor,
  episodeId: string,
  transaction: Transaction,
): Promise<void> {
  const needsName = isCountersigned(actor.roles) || event.mark === 'unconfirmed' || isSaidByTelephone(event)
  if (needsName && !findEventKind(event.kind)?.isOfNoPatient) await countersigns.wait(event, episodeId, transaction)
}

/** Whether somebody else entered what a senior said: that senior signs it. */
function isSaidByTelephone({ kind, body }: StoredEvent): boolean {
  return kind === 'senior-decision' && (body as Partial<BodyOf<'senior-decision'>>).how === 'telephone'
}
