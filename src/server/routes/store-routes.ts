import express, { type Response, type Router } from 'express'
import Joi from 'joi'
import { sheets, type SheetId } from '#contract/api/papers'
import { uuid, zone as zoneSchema } from '#contract/field-schemas'
import type { StockAnswer } from '#contract/records/store'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { StockRepository } from '../repositories/stock'
import type { Print } from '../planning/print'
import { sendPdf } from './send-pdf'
import { exportStock } from '../services/export-stock'
import type { createStockImport } from '../services/import-stock'

/** A larger file is not the stock of one place. */
const mostCsvBytes = 5 * 1024 * 1024

const paperSchema = Joi.object({ sheet: Joi.valid(...Object.keys(sheets)).default('a4'), zone: zoneSchema.default('Etc/UTC') })
const idSchema = Joi.object({ placeId: uuid.required() })

/** The store: places, their stock, its movements, and CSV in and out. Single changes are events. */
export function storeRoutes(
  { router, route }: Guarded,
  deps: {
    stock: StockRepository
    importStock: ReturnType<typeof createStockImport>
    print: Print
    clock: Clock
  },
): Router {
  const placeOf = async (request: SignedInRequest): Promise<string> => parseWith<{ placeId: string }>(idSchema, request.params).placeId
  const find = async (id: string) => {
    const place = await deps.stock.findPlace(id)
    if (!place) throw new ApiError(404, 'not-found', 'There is no such place: choose one from the list.')
    return place
  }

  route('GET /api/store', async (_request, response) => {
    response.json({ places: await deps.stock.places() })
  })
  route('GET /api/store/:placeId', async (request: SignedInRequest, response: Response<StockAnswer>) => {
    const place = await find(await placeOf(request))
    response.json({ place, lines: await deps.stock.lines(place.id), now: new Date(deps.clock()).toISOString() })
  })
  route('GET /api/store/:placeId/movements', async (request: SignedInRequest, response) => {
    const place = await find(await placeOf(request))
    response.json({ movements: await deps.stock.movements(place.id, 200) })
  })
  route('GET /api/store/:placeId/stock.csv', async (request: SignedInRequest, response) => {
    const place = await find(await placeOf(request))
    response
      .type('text/csv')
      .attachment(`stock-${place.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.csv`)
      .send(exportStock(await deps.stock.lines(place.id)))
  })
  route('GET /api/store/:placeId/count-sheet.pdf', async (request: SignedInRequest, response) => {
    const { sheet, zone } = parseWith<{ sheet: SheetId; zone: string }>(paperSchema, request.query)
    const place = await find(await placeOf(request))
    const facts = { zone, printedAt: new Date(deps.clock()).toISOString() }
    sendPdf(response, 'count-sheet', await deps.print('count-sheet', place.name, await deps.stock.lines(place.id), facts, sheet))
  })
  route(
    'POST /api/store/:placeId/stock.csv',
    express.text({ type: ['text/csv', 'text/plain'], limit: mostCsvBytes }),
    async (request: SignedInRequest, response) => {
      const session = signedIn(request)
      const place = await find(await placeOf(request))
      if (typeof request.body !== 'string') throw new ApiError(422, 'invalid', 'Send the file as text/csv.')
      response.json(await deps.importStock(place.id, request.body, session.account))
    },
  )
  return router
}
