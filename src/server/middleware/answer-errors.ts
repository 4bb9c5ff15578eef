import type { NextFunction, Request, Response } from 'express'
import type { Logger } from 'pino'
import type { ProblemDetails } from '#contract/problem-details'
import { ApiError } from '../api-error'

const titles: Readonly<Record<number, string>> = {
  400: 'Not readable',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  422: 'Input not accepted',
  423: 'Locked',
  429: 'Too many tries',
  500: 'Our fault',
  503: 'Not ready',
}

/** Turns every error into problem+json; what is not a refusal of ours is logged and answered without details. */
export function answerErrors(log: Logger) {
  return (error: unknown, _request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) return next(error)
    const known = toApiError(error)
    if (!known) log.error({ err: error }, 'unexpected error')
    const status = known?.status ?? 500
    const problem: ProblemDetails = {
      type: `urn:zesty-wren:error:${known?.code ?? 'unexpected'}`,
      title: titles[status] ?? 'Error',
      status,
      detail: known?.message ?? 'Something went wrong on our side: try again, and tell the person who runs this server.',
      ...(known?.extra ?? {}),
    }
    response.status(status).type('application/problem+json').send(JSON.stringify(problem))
  }
}

function toApiError(error: unknown): ApiError | null {
  if (error instanceof ApiError) return error
  const { type, status, name, limit } = error as { type?: string; status?: number; name?: string; limit?: number }
  if (type === 'entity.parse.failed') return new ApiError(400, 'not-json', 'The request is not JSON: check what was sent.')
  if (type === 'entity.too.large')
    return new ApiError(413, 'too-large', `The request is larger than ${Math.round((limit ?? 2 ** 20) / 2 ** 20)} MB: send less at once.`)
  if (name === 'URIError') return new ApiError(400, 'not-json', 'The address cannot be read: check it.')
  if (name?.startsWith('SequelizeConnection') || name === 'SequelizeHostNotReachableError') {
    return new ApiError(503, 'unavailable', 'The database does not answer: what you typed is kept, it is sent again by itself.')
  }
  if (status && status >= 400 && status < 500) return new ApiError(400, 'not-json', 'The request cannot be read: check what was sent.')
  return null
}
