import type { HeldReason } from '#contract/api/held-entries'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import type { EventInput, StoredEvent } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import { isPairedDevice, losesRight } from '#contract/rights'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { TellSecurity } from '../ground/tell-security'
import type { Unsealed } from '../people/device-keys'
import type { EventRepository } from '../repositories/events'
import type { HeldEntries } from '../repositories/held-entries'
import type { Account, PeopleRepository } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import { admitCopies } from './admit-copies'
import type { AppendEvent } from '../writing/append-event'
import type { Acknowledge } from './acknowledge-event'
import type { CareTeam } from './care-team'
import { weighEntry } from './urgent-entry'

const hourMs = 3_600_000
/** So many urgent ones of an author in a stay stand at once within an hour. */
const mostStanding = 6

export interface TakeSealedDeps {
  readonly append: AppendEvent
  readonly acknowledge: Acknowledge
  readonly events: Pick<EventRepository, 'find'>
  readonly held: HeldEntries
  readonly people: Pick<PeopleRepository, 'find'>
  readonly streams: StreamRepository
  readonly careTeam: CareTeam
  readonly clock: Clock
  readonly tell: TellSecurity
}

/** Takes what a device sealed under its author's name, or holds it for a lead. */
export function createSealedTaker({ append, acknowledge, events, held, people, streams, careTeam, clock, tell }: TakeSealedDeps) {
  return {
    /**
     * An entry whose ticket is good is kept as its author's. One whose author's access had ended, or that came too late, is neither thrown
     * away nor applied: a lead looks at it. What is urgent among it stands at once, marked.
     * @param event as it was read out of the seal
     * @throws ApiError 422 where nothing of it can be kept
     */
    async take(unsealed: Unsealed, event: EventInput): Promise<void> {
      const author = await people.find(unsealed.personId)
      if (!author) throw new ApiError(422, 'ticket-over', 'Its author is not known here any more.')
      const why = await whyHeld(unsealed, author)
      if (why !== null) return (await events.find(event.id)) ? undefined : hold(event, { ...author, roles: unsealed.roles }, why)
      try {
        await admitCopies({ careTeam, streams }, event, author)
        acknowledge(await append({ ...event, queued: true }, author))
      } catch (error) {
        if (isRefused(error)) throw new ApiError(422, 'refused', 'The server does not take this entry: its author has to look at it.')
        throw error
      }
    },
  }

  async function whyHeld({ epoch, roles, device, isTooOld }: Unsealed, author: Account): Promise<HeldReason | null> {
    if (author.epoch !== epoch) return isPairedDevice(author.roles) ? 'unpaired' : 'access-ended'
    if (losesRight(roles, author.roles)) return 'fewer-roles'
    if (device && (await people.find(device.id))?.epoch !== device.epoch) return 'unpaired'
    return isTooOld ? 'too-old' : null
  }

  async function hold(event: EventInput, author: Account, why: HeldReason): Promise<void> {
    tell('ticket-refused', author.id)
    const episodeId = await stayOf(event)
    await held.hold({
      event,
      author: author.id,
      authorName: author.name,
      roles: author.roles,
      why,
      episodeId,
      receivedAt: new Date(clock()),
    })
    if (await mayStand(event, author, episodeId)) await letStand(event, author, episodeId)
  }

  /**
   * What is urgent stands, and is paged for. So many of an author in a stay within an hour: then it waits for the leads, so that a device in
   * wrong hands wakes nobody all night; what is worse than anything that stands does not wait.
   */
  async function mayStand(event: EventInput, author: Account, episodeId: string | null): Promise<boolean> {
    const nowMs = clock()
    const weight = await weighEntry(streams, event, author, nowMs)
    if (weight === 'quiet' || weight === 'worse' || episodeId === null) return weight !== 'quiet'
    return (await held.stoodSince(author.id, episodeId, new Date(nowMs - hourMs))) < mostStanding
  }

  async function stayOf({ stream, body }: EventInput): Promise<string | null> {
    if (stream.type === 'episode') return stream.id
    if (stream.type !== 'case') return null
    return (await streams.episodeOf(stream.id)) ?? (body as Partial<CaseOpenedBody>).episodeId ?? (await held.stayOfCase(stream.id))
  }

  /** Of a stay that nobody else knows all that was entered before it stands with it, each under the name of whoever entered it. */
  async function letStand(event: EventInput, author: Account, episodeId: string | null): Promise<void> {
    if (episodeId !== null && !(await streams.findEpisode(episodeId)))
      for (const before of await held.ofStay(episodeId)) {
        const by = before.event.id === event.id ? null : await people.find(before.author)
        if (by) await stand(before.event, { ...by, roles: before.roles })
      }
    // What others know is replaced by nobody whom nobody confirms.
    if (findEventKind(event.kind)?.nature === 'additive') await stand(event, author)
  }

  /** What cannot stand waits for the lead like everything else. */
  async function stand(event: EventInput, author: Account): Promise<void> {
    const kept = await append({ ...event, queued: true }, author, 'unconfirmed').catch((error: unknown): StoredEvent | null => {
      if (isRefused(error)) return null
      throw error
    })
    if (!kept) return
    acknowledge(kept)
    await held.settle(event.id, { by: '', at: new Date(clock()), how: 'stands', why: '' })
  }
}

function isRefused(error: unknown): boolean {
  return error instanceof ApiError && error.status < 500
}

export type SealedTaker = ReturnType<typeof createSealedTaker>
