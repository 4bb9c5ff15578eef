import { v7 as uuidv7 } from 'uuid'
import type { HeldDecision } from '#contract/api/held-entries'
import { newestVersion } from '#contract/events/upcast'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { HeldEntries } from '../repositories/held-entries'
import type { Account, PeopleRepository } from '../repositories/people'
import type { AppendEvent } from '../writing/append-event'
import type { Acknowledge } from './acknowledge-event'

/** What a lead decides of an entry that was not taken. */
export function createHeldSettler(deps: {
  readonly append: AppendEvent
  readonly acknowledge: Acknowledge
  readonly held: HeldEntries
  readonly people: Pick<PeopleRepository, 'find'>
  readonly clock: Clock
}) {
  const { append, acknowledge, held, people, clock } = deps
  /**
   * Taken it goes under its author's name, marked, with the lead's beside it; put aside it stays in the table with the reason.
   * @throws ApiError 404 where it does not wait any more; as `append` does where it cannot be taken as things stand now
   */
  return async function settle(id: string, { how, why }: HeldDecision, lead: Account): Promise<void> {
    const entry = await held.find(id)
    if (!entry) throw new ApiError(404, 'not-found', 'This entry does not wait any more: look at the list again.')
    if (how === 'taken') {
      const author = await people.find(entry.author)
      if (!author) throw new ApiError(404, 'not-found', 'Its author is not known here any more: put it aside with a reason.')
      acknowledge(await append({ ...entry.event, queued: true }, { ...author, roles: entry.roles }, 'unconfirmed'))
      // Nobody signs their own: a lead whose own entry was held takes it, and another one signs.
      if (entry.episodeId !== null && entry.author !== lead.id) await countersign(entry.episodeId, id, lead)
    }
    await held.settle(id, { by: lead.name, at: new Date(clock()), how, why })
  }

  async function countersign(episodeId: string, eventId: string, lead: Account): Promise<void> {
    const kind = 'countersigned'
    const at = new Date(clock()).toISOString()
    const stream = { type: 'episode', id: episodeId } as const
    const signing = { id: uuidv7(), stream, kind, v: newestVersion(kind), body: { events: [eventId] }, at, offsetMs: 0 }
    await append(signing, lead).then(acknowledge, (error: unknown) => {
      // Somebody signed it at the same moment, or it needs no name: it is taken all the same.
      if (!(error instanceof ApiError) || error.status >= 500) throw error
    })
  }
}

export type HeldSettler = ReturnType<typeof createHeldSettler>
