import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import { isCountersigned } from '#contract/rights'
import type { Actor, AppendDeps } from './writing'

type Deps = Pick<AppendDeps, 'countersigns'>

/** Notes that an entry of a trainee, or one that nobody confirms, waits for a clinician's name. It acts at once all the same. */
export async function awaitCountersign(
  { countersigns }: Deps,
  event: StoredEvent,
  actor: Actor,
  episodeId: string,
  transaction: Transaction,
): Promise<void> {
  const needsName = isCountersigned(actor.roles) || event.mark === 'unconfirmed'
  if (needsName && !findEventKind(event.kind)?.isOfNoPatient) await countersigns.wait(event, episodeId, transaction)
}
