import type { NextFunction, Request, Response } from 'express'
import type { Logger } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import type { ProblemDetails } from '#contract/api/problem-details'
import { ApiError } from '../ground/api-error'
import { errorNumberOf } from '../db/in-transaction'
import { hasNoRoom } from '../db/no-room'

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

/**
 * MariaDB's numbers for a statement that took too long, a connection that was lost or ended, a server that shuts down, a node without its
 * cluster, and a commit that a node could not finish: whether it was kept is not known, and the same entry sent again comes to the same.
 */
const isAway = new Set([1969, 45013, 45009, 45012, 45026, 1927, 1053, 1205, 1213, 1047, 1180, 2006, 2013, 4031])

/** Turns every error into problem+json; what is not a refusal of ours is logged and answered without details. */
export function answerErrors(log: Logger) {
  return (error: unknown, request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) return next(error)
    const known = toApiError(error)
    const errorId = known ? null : uuidv7()
    if (errorId) log.error({ errorId, route: routeOf(request), code: codeOf(error), at: whereOf(error) }, 'unexpected error')
    const status = known?.status ?? 500
    const { retryAfterS, ...extra } = known?.extra ?? {}
    const problem: ProblemDetails = {
      type: `urn:zesty-wren:error:${known?.code ?? 'unexpected'}`,
      title: titles[status] ?? 'Error',
      status,
      detail:
        known?.message ??
        `Something went wrong on our side: try again, and tell the person who runs this server this number: ${errorId ?? ''}.`,
      ...extra,
    }
    if (retryAfterS !== undefined) response.set('retry-after', String(retryAfterS))
    response.status(status).type('application/problem+json').send(JSON.stringify(problem))
  }
}

/** The route as it is declared, without what was filled in. */
function routeOf(request: Request): string {
  const route = (request as { route?: { path?: string } }).route?.path
  return `${request.method} ${route ?? request.path.replace(/[0-9a-f-]{36}/g, ':id')}`
}

/** What kind of error it is: never its message, which may hold what was entered, nor its statement. */
function codeOf(error: unknown): string {
  const { name, code, parent } = error as { name?: string; code?: string; parent?: { errno?: number } }
  return [name, code, parent?.errno].filter((one) => one !== undefined).join(' ') || 'unknown'
}

/** The lines of our own that led there. */
function whereOf(error: unknown): readonly string[] {
  const stack = error instanceof Error ? (error.stack ?? '') : ''
  return stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 6)
    .map((line) => line.trim())
}

/** A number below zero is the system's: the connection broke in the middle of a statement. */
function isConnectionLost(number: number): boolean {
  return number < 0 || isAway.has(number)
}

function toApiError(error: unknown): ApiError | null {
  if (error instanceof ApiError) return error
  const { type, status, name, limit } = error as { type?: string; status?: number; name?: string; limit?: number }
  if (type === 'entity.parse.failed') return new ApiError(400, 'not-json', 'The request is not JSON: check what was sent.')
  if (type === 'entity.too.large')
    return new ApiError(413, 'too-large', `The request is larger than ${sizeWords(limit ?? 2 ** 20)}: send less at once.`)
  if (name === 'URIError') return new ApiError(400, 'not-json', 'The address cannot be read: check it.')
  if (name?.startsWith('SequelizeConnection') || name === 'SequelizeHostNotReachableError' || isConnectionLost(errorNumberOf(error) ?? 0)) {
    return new ApiError(503, 'unavailable', 'The database does not answer: what you typed is kept, it is sent again by itself.')
  }
  if (hasNoRoom(error))
    return new ApiError(
      503,
      'unavailable',
      'The disk of the database is full: what you typed is kept and sent again by itself. Tell the person who runs this server.',
    )
  if (status && status >= 400 && status < 500) return new ApiError(400, 'not-json', 'The request cannot be read: check what was sent.')
  return null
}

function sizeWords(bytes: number): string {
  return bytes >= 2 ** 20 ? `${Math.round(bytes / 2 ** 20)} MB` : `${Math.round(bytes / 1_024)} kB`
}
