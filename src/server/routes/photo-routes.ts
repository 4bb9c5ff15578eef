import express, { type Router } from 'express'
import Joi from 'joi'
import { v7 as uuidv7 } from 'uuid'
import { uuid } from '#contract/field-schemas'
import type { PhotoInfo } from '#contract/api/photo'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PhotoRepository } from '../repositories/photos'
import type { StreamRepository } from '../repositories/streams'
import { encodePhoto } from '../services/keep-photo'

const idSchema = Joi.object({ id: uuid.required() })

/** Photos of a case: added, listed, shown, to signed-in staff only. */
export function photoRoutes(
  { router, route }: Guarded,
  deps: { photos: PhotoRepository; streams: StreamRepository; clock: Clock },
): Router {
  const idOf = (request: SignedInRequest): string => parseWith<{ id: string }>(idSchema, request.params).id
  const requireCase = async (id: string): Promise<void> => {
    if (!(await deps.streams.findCase(id))) throw new ApiError(404, 'not-found', 'There is no case with this id: look on the Board.')
  }

  route('GET /api/cases/:id/photos', async (request: SignedInRequest, response) => {
    const id = idOf(request)
    await requireCase(id)
    response.json({ photos: await deps.photos.ofCase(id) })
  })
  route(
    'POST /api/cases/:id/photos',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: '8mb' }),
    async (request: SignedInRequest, response) => {
      const session = signedIn(request)
      const caseId = idOf(request)
      await requireCase(caseId)
      if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
        throw new ApiError(422, 'not-a-picture', 'No picture came: send the file itself as image/jpeg or image/png.')
      }
      const kept = await encodePhoto(request.body)
      const same = await deps.photos.findSame(caseId, kept.sha256)
      if (same) return void response.json(same)
      const info: PhotoInfo = {
        id: uuidv7(),
        width: kept.width,
        height: kept.height,
        by: session.account.name,
        at: new Date(deps.clock()).toISOString(),
      }
      await deps.photos.add({ ...info, caseId, sha256: kept.sha256, bytes: kept.bytes })
      response.json(info)
    },
  )
  route('GET /api/photos/:id', async (request: SignedInRequest, response) => {
    const bytes = await deps.photos.bytesOf(idOf(request))
    if (!bytes) throw new ApiError(404, 'not-found', 'There is no such photo.')
    response.type('image/jpeg').send(bytes)
  })
  return router
}
