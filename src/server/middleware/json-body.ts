import express, { type Request } from 'express'
import { ApiError } from '../ground/api-error'

interface MeasuredRequest extends Request {
  bodyBytes?: number
}

/** Reads JSON bodies, and remembers how long each was. */
export function readJson(): express.RequestHandler {
  return express.json({
    limit: '1mb',
    type: ['application/json', 'application/*+json'],
    verify: (request, _response, buffer) => {
      ;(request as MeasuredRequest).bodyBytes = buffer.length
    },
  })
}

/**
 * Refuses a body that is longer than its kind has reason to be.
 * @param remedy what to do instead, as the end of a sentence
 * @throws ApiError 413
 */
export function limitBody(request: Request, mostBytes: number, remedy: string): void {
  if (((request as MeasuredRequest).bodyBytes ?? 0) <= mostBytes) return
  throw new ApiError(413, 'too-large', `What was sent is longer than ${mostBytes / 1024} kB: ${remedy}.`)
}
