import { stringify } from 'csv-stringify/sync'
import type { Response, Router } from 'express'
import Joi from 'joi'
import { standingLevels } from '#core/model/standing'
import type { HandOverAnswer } from '#contract/api/hand-over'
import { sheets, type SheetId } from '#contract/api/papers'
import { zone as zoneSchema } from '#contract/field-schemas'
import { isAtPlace } from '#contract/views/at-place'
import { handOverOf, orderHandOver, type HandOverLine } from '#contract/views/hand-over'
import { handOverColumns, handOverTable } from '#contract/views/hand-over-table'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PackedCase } from '../papers/downtime-pack'
import type { Print } from '../planning/print'
import type { StreamRepository } from '../repositories/streams'
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
    clock,
  }: {
    readonly streams: StreamRepository
    readonly print: Print
    readonly clock: Clock
  },
): Router {
  const read = async (beginning: string): Promise<readonly HandOverLine[]> => {
    const rows = (await streams.liveBoardRows()).filter((row) => isAtPlace(row.place, beginning))
    const lines = await Promise.all(
      rows.map(async ({ caseId, episodeId }) => {
        const [found, episode, live] = await Promise.all([
          streams.findCase(caseId),
          streams.findEpisode(episodeId),
          streams.liveCautionsOf(caseId),
        ])
        return found && episode ? handOverOf(found.record, episode.record, clock(), live) : null
      }),
    )
    return orderHandOver(
      lines.filter((line) => line !== null),
      standingLevels,
    )
  }

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
    response.json({ lines: await read(place), now: new Date(clock()).toISOString() })
  })

  route('GET /api/hand-over.csv', async (request: SignedInRequest, response) => {
    const { place } = parseWith<{ place: string }>(screenSchema, request.query)
    response
      .type('text/csv')
      .attachment('hand-over.csv')
      // A cell that begins like a formula is text.
      .send(stringify([[...handOverColumns], ...handOverTable(await read(place))], { escape_formulas: true }))
  })

  route('GET /api/hand-over.pdf', async (request: SignedInRequest, response) => {
    const { place, sheet, zone } = parseWith<{ place: string; sheet: SheetId; zone: string }>(paperSchema, request.query)
    const printedAt = new Date(clock()).toISOString()
    const bytes = await print('hand-over', await read(place), { places: place.trim() || 'all places', zone, printedAt }, sheet)
    sendPdf(response, 'hand-over', bytes)
  })

  route('GET /api/downtime.pdf', async (request: SignedInRequest, response) => {
    const { place, sheet, zone } = parseWith<{ place: string; sheet: SheetId; zone: string }>(paperSchema, request.query)
    const printedAt = new Date(clock()).toISOString()
    const cases = await packed(await read(place))
    const bytes = await print('downtime', cases, { places: place.trim() || 'all places', zone, printedAt }, sheet)
    sendPdf(response, 'downtime', bytes)
  })
  return router
}
