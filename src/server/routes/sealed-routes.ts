import type { Response, Router } from 'express'
import Joi from 'joi'
import type { SealedAnswer } from '#contract/api/answers'
import { heldPageSize, type HeldAnswer, type HeldDecision, type HeldEntry } from '#contract/api/held-entries'
import { heldDecisionSchema } from '#contract/api/held-entries.schema'
import { sealedSchema } from '#contract/api/sign-in.schema'
import { uuid } from '#contract/field-schemas'
import { initialsOf, patientLabel } from '#contract/records/episode'
import { maskedWords } from '#ward/case/care-team'
import { entryWords } from '#ward/story/entry-words'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import { admitTime } from '../ledger/admit-time'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { DeviceKeyService } from '../people/device-keys'
import type { HeldEntries, HeldRow } from '../repositories/held-entries'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import { isHiddenFrom, type CareTeam } from '../services/care-team'
import type { HeldSettler } from '../services/settle-held'
import type { SealedTaker } from '../services/take-sealed'
import { readEvent } from './read-event'

const idSchema = Joi.object({ id: uuid.required() })

/** What somebody else entered on a device and could not send; and, for leads, what of it was not taken. */
export function sealedRoutes(
  { router, route }: Guarded,
  deps: {
    readonly keys: DeviceKeyService
    readonly taker: SealedTaker
    readonly settle: HeldSettler
    readonly held: HeldEntries
    readonly streams: StreamRepository
    readonly careTeam: CareTeam
    readonly clock: Clock
  },
): Router {
  // It goes under its author's name, and nothing of it is told to whoever carries it, not even whether it was held.
  route('POST /api/sealed-events', async (request: SignedInRequest, response: Response<SealedAnswer>) => {
    const { sealed } = parseWith<{ sealed: string }>(sealedSchema, request.body)
    const unsealed = await deps.keys.open(Buffer.from(sealed, 'base64'))
    const event = readSealed(unsealed.event)
    await deps.taker.take(unsealed, event)
    response.json({ id: event.id })
  })

  route('GET /api/held', async (request: SignedInRequest, response: Response<HeldAnswer>) => {
    const [rows, waiting] = await Promise.all([deps.held.waiting(heldPageSize), deps.held.count()])
    response.json({
      entries: await Promise.all(rows.map((row) => toEntry(row, signedIn(request).account))),
      waiting,
      now: new Date(deps.clock()).toISOString(),
    })
  })

  route('POST /api/held/:id', async (request: SignedInRequest, response) => {
    const { id } = parseWith<{ id: string }>(idSchema, request.params)
    await deps.settle(id, parseWith<HeldDecision>(heldDecisionSchema, request.body), signedIn(request).account)
    response.json({})
  })
  return router

  async function toEntry({ event, authorName, why, episodeId, receivedAt }: HeldRow, account: Account): Promise<HeldEntry> {
    const stay = episodeId === null ? null : await deps.streams.findEpisode(episodeId)
    const isHidden = stay !== null && (await isHiddenFrom(deps.careTeam, account, stay.record))
    const label = stay ? patientLabel(stay.record) : ''
    const isOfCase = event.stream.type === 'case' && (await deps.streams.findCase(event.stream.id)) !== null
    return {
      id: event.id,
      at: admitTime({ ...event, queued: true }, receivedAt.getTime()).at,
      receivedAt: receivedAt.toISOString(),
      by: authorName,
      why,
      patient: isHidden ? initialsOf(label) : label,
      place: stay?.record.place ?? '',
      caseId: isOfCase ? event.stream.id : stay ? await deps.streams.firstCaseOf(stay.record.id) : null,
      words: isHidden ? maskedWords : entryWords(event.kind, event.v, event.body),
    }
  }
}

function readSealed(event: unknown): ReturnType<typeof readEvent> {
  try {
    // It waited on its device, whatever it says of itself.
    return readEvent(typeof event === 'object' && event !== null ? { ...event, queued: true } : event)
  } catch (error) {
    if (error instanceof ApiError) throw new ApiError(422, 'refused', 'The server does not take this entry: its author has to look at it.')
    throw error
  }
}
