import { stringify } from 'csv-stringify/sync'
import type { Response, Router } from 'express'
import Joi from 'joi'
import { standingLevels } from '#core/model/standing'
import type { HandOverAnswer } from '#contract/api/hand-over'
import { sheets, type SheetId } from '#contract/api/papers'
import { zone as zoneSchema } from '#contract/field-schemas'
import { initialsOf } from '#contract/records/episode'
import { isAtPlace } from '#ward/case/at-place'
import { handOverOf, orderHandOver } from '#ward/story/hand-over'
import type { HandOverLine } from '#contract/api/hand-over'
import { handOverColumns, handOverTable } from '#ward/story/hand-over-table'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PackedCase } from '../papers/downtime-pack'
import { createFewOfPerson, type Print } from '../planning/print'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import type { CareTeam } from '../services/care-team'
import { openCase } from './open-case'
import { sendPdf } from './send-pdf'

const place = Joi.string().allow('').max(80).default('')
const screenSchema = Joi.object({ place })
const paperSchema = Joi.object({
  place,
  sheet: Joi.valid(...Object.keys(sheets)).default('a4'),
  zone: zoneSchema.default('Etc/UTC'),
})

/** What one shift tells the next, of all live cases or of the places that begin with some words, on screen, on paper and as a table. */
export function handOverRoutes(
  { router, route }: Guarded,
  {
    streams,
    print,
    careTeam,
    clock,
  }: {
    readonly streams: StreamRepository
    readonly careTeam: CareTeam
    readonly print: Print
    readonly clock: Clock
  },
): Router {
  const read = async (account: Account, beginning: string): Promise<readonly HandOverLine[]> => {
    const rows = (await streams.liveBoardRows()).filter((row) => isAtPlace(row.place, beginning))
    const hidden = await careTeam.hidden(account, rows)
    const lines = await Promise.all(
      rows.map(async ({ caseId, episodeId }) => {
        const [found, episode, live] = await Promise.all([
          streams.findCase(caseId),
          streams.findEpisode(episodeId),
          streams.liveCautionsOf(caseId),
        ])
        const line = found && episode ? handOverOf(found.record, episode.record, clock(), live) : null
        return line && hidden.has(episodeId) ? { ...line, patient: initialsOf(line.patient), identifiers: 'confidential' } : line
      }),
    )
    return orderHandOver(
      lines.filter((line) => line !== null),
      standingLevels,
    )
  }

  const fewOf = createFewOfPerson()
  const packed = async (lines: readonly HandOverLine[]): Promise<readonly PackedCase[]> => {
    const cases: PackedCase[] = []
    // One after the other: a pack is printed once a shift, and a Board is read meanwhile.
    for (const { caseId } of lines) {
      const { record, episode } = await openCase(streams, caseId)
      cases.push({ record, episode, plan: record.accepted?.plan ?? null, live: await streams.liveCautionsOf(caseId) })
    }
    return cases
  }

  route('GET /api/hand-over', async (request: SignedInRequest, response: Response<HandOverAnswer>) => {
    const { place } = parseWith<{ place: string }>(screenSchema, request.query)
    response.json({ lines: await read(signedIn(request).account, place), now: new Date(clock()).toISOString() })
  })

  route('GET /api/hand-over.csv', async (request: SignedInRequest, response) => {
    const { place } = parseWith<{ place: string }>(screenSchema, request.query)
    response
      .type('text/csv')
      .attachment('hand-over.csv')
      // A cell that begins like a formula is text.
      .send(stringify([[...handOverColumns], ...handOverTable(await read(signedIn(request).account, place))], { escape_formulas: true }))
  })

  route('GET /api/hand-over.pdf', async (request: SignedInRequest, response) => {
    const { place, sheet, zone } = parseWith<{ place: string; sheet: SheetId; zone: string }>(paperSchema, request.query)
    const printedAt = new Date(clock()).toISOString()
    const { account } = signedIn(request)
    const facts = { places: place.trim() || 'all places', zone, printedAt }
    const bytes = await fewOf(account.id, async () => print('hand-over', await read(account, place), facts, sheet))
    sendPdf(response, 'hand-over', bytes)
  })

  route('GET /api/downtime.pdf', async (request: SignedInRequest, response) => {
    const { place, sheet, zone } = parseWith<{ place: string; sheet: SheetId; zone: string }>(paperSchema, request.query)
    const printedAt = new Date(clock()).toISOString()
    const { account } = signedIn(request)
    // A pack holds records: those that somebody says why they open are counted in it, and no more.
    const rows = (await streams.liveBoardRows()).filter((row) => isAtPlace(row.place, place))
    const shut = await careTeam.shut(
      account,
      rows.map((row) => row.episodeId),
    )
    const shutCases = new Set(rows.filter((row) => shut.has(row.episodeId)).map((row) => row.caseId))
    const lines = await read(account, place)
    const open = lines.filter((line) => !shutCases.has(line.caseId))
    const facts = { places: place.trim() || 'all places', zone, printedAt, leftOut: lines.length - open.length }
    const bytes = await fewOf(account.id, async () => print('downtime', await packed(open), facts, sheet))
    sendPdf(response, 'downtime', bytes)
  })
  return router
}
