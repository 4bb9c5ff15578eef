import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import { findEventKind, type BodyOf } from '#contract/events/index'
import { hasRight, isCountersigned } from '#contract/rights'
import type { Signer } from '../repositories/countersigns'
import type { Actor, AppendDeps } from './writing'

type Deps = Pick<AppendDeps, 'countersigns' | 'people'>

/**
 * Notes that an entry of a trainee, or one that nobody confirms, waits for a clinician's name, and what a senior said by telephone for that
 * senior's. It acts at once all the same.
 */
export async function awaitCountersign(
  { countersigns, people }: Deps,
  event: StoredEvent,
  actor: Actor,
  episodeId: string,
  transaction: Transaction,
): Promise<void> {
  if (findEventKind(event.kind)?.isOfNoPatient) return
  const speaker = saidByTelephone(event)
  if (speaker !== null) await countersigns.wait(event, episodeId, await signerOf(speaker, actor, people), transaction)
  else if (isCountersigned(actor.roles) || event.mark === 'unconfirmed') await countersigns.wait(event, episodeId, null, transaction)
}

/** Who said by telephone what somebody else entered; null of any other entry. */
function saidByTelephone({ kind, body }: StoredEvent): string | null {
  const said: { readonly by: string; readonly how?: string } | undefined =
    kind === 'senior-decision'
      ? (body as BodyOf<'senior-decision'>)
      : kind === 'ordered'
        ? Object.values((body as BodyOf<'ordered'>).ordered)[0]
        : undefined
  return said?.how === 'telephone' ? said.by : null
}

/** The one account of whoever spoke: their name stands first ("Sorrel Vane, registrar"). Without one a lead stands for it. */
async function signerOf(speaker: string, actor: Actor, people: Deps['people']): Promise<Signer> {
  const name = (speaker.split(',')[0] ?? '').trim().toLowerCase()
  const found = (await people.list()).filter(
    (account) =>
      account.isActive && account.id !== actor.id && hasRight(account.roles, 'decide') && account.name.trim().toLowerCase() === name,
  )
  const [one] = found
  return one && found.length === 1 ? { id: one.id, name: one.name } : 'lead'
}
