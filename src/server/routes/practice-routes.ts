import { stringify } from 'csv-stringify/sync'
import type { Response, Router } from 'express'
import Joi from 'joi'
import { sheets, type SheetId } from '#contract/api/papers'
import type {
  DrillPost,
  GroupsAnswer,
  OwnStationsAnswer,
  ProgressAnswer,
  SittingAnswer,
  SittingPost,
  SittingsAnswer,
} from '#contract/api/practice'
import { drillSchema, groupSchema, ownStationSchema, sittingSchema } from '#contract/api/practice.schema'
import { uuid, zone } from '#contract/field-schemas'
import type { Sitting } from '#contract/records/practice'
import { hasRight } from '#contract/rights'
import { sheetColumns, sheetTable } from '#ward/practice/sheet-rows'
import { isOver, maySee, seenBy } from '#ward/practice/sitting-seen'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { Print } from '../planning/print'
import type { PracticeGroups } from '../repositories/practice-groups'
import type { PracticeSittings } from '../repositories/practice-sittings'
import type { DrillKeeper } from '../services/keep-drill'
import type { SittingKeeper } from '../services/keep-sitting'
import type { DrillOutcome } from '#core/practice/drill/finish-drill'
import type { PracticeReader } from '../services/read-practice'
import { stationFrom, type StationPlans } from '../services/station-plans'
import { sendPdf } from './send-pdf'

const idSchema = Joi.object({ id: uuid.required() })
const paperSchema = Joi.object({ sheet: Joi.valid(...Object.keys(sheets)).default('a4'), zone: zone.default('UTC') })
/** Lists go so far back. */
const listedMs = 60 * 86_400_000
const mostListed = 100

export interface PracticeRouteDeps {
  readonly sittings: PracticeSittings
  readonly groups: PracticeGroups
  readonly reader: PracticeReader
  readonly keeper: SittingKeeper
  readonly drills: DrillKeeper
  readonly plans: StationPlans
  readonly print: Print
  readonly clock: Clock
}

/** Practice: runs of stations, who sees them, stations that were made here, groups. Nothing here is of a patient. */
export function practiceRoutes({ router, route }: Guarded, deps: PracticeRouteDeps): Router {
  const { sittings, groups, reader, keeper, drills, plans, print, clock } = deps
  const now = (): string => new Date(clock()).toISOString()
  const idOf = (request: SignedInRequest): string => parseWith<{ id: string }>(idSchema, request.params).id

  /** A sitting that the asker may see; of another's it is not even said that there is one. */
  async function visible(request: SignedInRequest): Promise<Sitting> {
    const sitting = await sittings.find(idOf(request))
    if (sitting && maySee(sitting, signedIn(request).account)) return sitting
    throw new ApiError(404, 'not-found', 'There is no such run among yours: open it from the list of Practice.')
  }
  async function ended(request: SignedInRequest): Promise<Sitting> {
    const sitting = await visible(request)
    if (isOver(sitting, clock())) return sitting
    throw new ApiError(409, 'nothing-to-print', 'The run goes on: end it, then its sheet is made.')
  }

  route('GET /api/practice/sittings', async (request: SignedInRequest, response: Response<SittingsAnswer>) => {
    const { account } = signedIn(request)
    const seesOthers = hasRight(account.roles, 'decide')
    const all = await sittings.list({
      ...(seesOthers ? {} : { people: [account.id] }),
      since: new Date(clock() - listedMs),
      most: mostListed,
    })
    response.json({ now: now(), sittings: all.filter((sitting) => maySee(sitting, account)).map(reader.line) })
  })
  route('GET /api/practice/sittings/:id', async (request: SignedInRequest, response: Response<SittingAnswer>) => {
    const sitting = await visible(request)
    response.json({
      now: now(),
      ...seenBy(sitting, signedIn(request).account, clock()),
      bands: isOver(sitting, clock()) ? await reader.bands(sitting) : [],
    })
  })
  route('POST /api/practice/sittings/:id', async (request: SignedInRequest, response) => {
    await keeper.keep(idOf(request), parseWith<SittingPost>(sittingSchema, request.body), signedIn(request).account)
    response.json({ now: now() })
  })
  route('GET /api/practice/sittings/:id/sheet.pdf', async (request: SignedInRequest, response) => {
    const { sheet, zone: inZone } = parseWith<{ sheet: SheetId; zone: string }>(paperSchema, request.query)
    const sitting = await ended(request)
    const bands = await reader.bands(sitting)
    sendPdf(
      response,
      'practice-station-sheet',
      await print('station-sheet', sitting, reader.sheets(sitting), bands, { zone: inZone, printedAt: now() }, sheet),
    )
  })
  route('GET /api/practice/sittings/:id/sheet.csv', async (request: SignedInRequest, response) => {
    const sitting = await ended(request)
    const rows = sheetTable(reader.sheets(sitting).sheets, await reader.bands(sitting))
    response
      .type('text/csv')
      .attachment('practice-station-sheet.csv')
      .send(stringify([[...sheetColumns], ...rows], { record_delimiter: 'windows', escape_formulas: true }))
  })

  route('POST /api/practice/drills/:id', async (request: SignedInRequest, response: Response<DrillOutcome>) => {
    const post = parseWith<DrillPost>(drillSchema, request.body)
    response.json(await drills.keep(idOf(request), post, signedIn(request).account.id))
  })

  route('GET /api/practice/progress', async (request: SignedInRequest, response: Response<ProgressAnswer>) => {
    response.json({ now: now(), progress: await reader.practiceProgress(signedIn(request).account.id) })
  })

  route('GET /api/practice/stations', async (_request, response: Response<OwnStationsAnswer>) => {
    response.json({ now: now(), stations: await groups.stations() })
  })
  route('POST /api/practice/stations/:id', async (request: SignedInRequest, response) => {
    const { station } = parseWith<{ station: object }>(ownStationSchema, request.body)
    const made = { ...stationFrom(station, plans), id: idOf(request) }
    await groups.keepStation(made, signedIn(request).account.id, new Date(clock()))
    response.json({ now: now() })
  })
  route('POST /api/practice/stations/:id/drop', async (request: SignedInRequest, response) => {
    await groups.dropStation(idOf(request), new Date(clock()))
    response.json({ now: now() })
  })

  route('GET /api/practice/groups', async (_request, response: Response<GroupsAnswer>) => {
    const all = await groups.groups()
    response.json({
      now: now(),
      groups: await Promise.all(all.map(async (group) => ({ ...group, overview: await reader.overview(group.members) }))),
    })
  })
  route('POST /api/practice/groups/:id', async (request: SignedInRequest, response) => {
    const group = parseWith<{ name: string; members: readonly string[] }>(groupSchema, request.body)
    await groups.set({ id: idOf(request), ...group }, signedIn(request).account.id)
    response.json({ now: now() })
  })
  return router
}
