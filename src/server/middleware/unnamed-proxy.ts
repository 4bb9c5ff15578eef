import type { NextFunction, Request, Response } from 'express'
import type { Logger } from 'pino'

/**
 * Says once that requests come through a proxy which nobody named: all who sign in then count as one address, and shut each other out.
 * @param isNamed whether the address that a request came from is one of the proxies that are believed
 */
export function tellUnnamedProxy(log: Logger, isNamed: (address: string) => boolean) {
  let isTold = false
  return (request: Request, _response: Response, next: NextFunction): void => {
    const from = request.socket.remoteAddress ?? ''
    if (!isTold && request.get('x-forwarded-for') !== undefined && !isNamed(from)) {
      isTold = true
      log.warn({ from }, 'requests are forwarded by an address that WREN_PROXIES does not name: everybody behind it counts as one')
    }
    next()
  }
}
