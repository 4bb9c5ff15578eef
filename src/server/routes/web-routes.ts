import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ApiError } from '../ground/api-error'
import express, { Router, type Response } from 'express'

/** The built web room: hashed assets kept for a year, and the page itself for every other address. */
export function webRoutes(folder: string): Router {
  const router = Router()
  const page = readFileSync(join(folder, 'index.html'), 'utf8')
  router.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache')
      },
    }),
  )
  router.use('/assets', () => {
    throw new ApiError(404, 'not-found', 'This part of an older version is gone: reload the page.')
  })
  router.get('/{*path}', (_request, response: Response) => {
    response
      .set('cache-control', 'no-store')
      .type('html')
      .send(page.replaceAll('__NONCE__', String(response.locals['nonce'])))
  })
  return router
}

/** A fresh value per page that lets our own style elements, and nobody else's, through the content policy. */
export function makeNonce(): string {
  return randomBytes(16).toString('base64')
}
