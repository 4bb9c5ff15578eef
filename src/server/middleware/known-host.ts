import type { NextFunction, Request, Response } from 'express'
import { ApiError } from '../ground/api-error'

/**
 * Answers only under names that are known, and takes changes only from pages of its own: a page of a stranger that points its name here, or
 * posts here, gets nothing.
 * @param hosts without port, lower case
 */
export function requireKnownHost(hosts: readonly string[]) {
  return (request: Request, _response: Response, next: NextFunction): void => {
    const asked = hostOf(`http://${request.get('host') ?? ''}`)
    if (asked === null || !hosts.includes(asked))
      throw new ApiError(403, 'not-here', 'This server is not known by that name: use its own address, or add the name to WREN_HOSTS.')
    const origin = request.get('origin')
    if (origin !== undefined && request.method !== 'GET' && request.method !== 'HEAD') {
      const from = hostOf(origin)
      if (from === null || !hosts.includes(from))
        throw new ApiError(403, 'not-here', 'This was sent by a page of somebody else: open the application itself.')
    }
    next()
  }
}

function hostOf(address: string): string | null {
  try {
    return new URL(address).hostname.toLowerCase()
  } catch {
    return null
  }
}
