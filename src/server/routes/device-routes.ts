import type { Response, Router } from 'express'
import type { InstrumentInfo, InstrumentsAnswer } from '#contract/api/instruments'
import type { Guarded } from '../middleware/guard'

/** Instruments that a page may listen to. */
export function deviceRoutes({ router, route }: Guarded, devices: readonly InstrumentInfo[]): Router {
  route('GET /api/devices', (_request, response: Response<InstrumentsAnswer>) => {
    response.json({ devices })
  })
  return router
}
