import type { NextFunction, Request, Response } from 'express'
import { clockHeader } from '#contract/api/session'
import { ApiError } from '../ground/api-error'
import { refuseMs, type ComparedClock } from '../ground/clock'

const againInS = 5

/**
 * Answers by a clock that was compared: a server that stood still compares first, one that differs answers nobody while another one is there that
 * agrees. Where none is it serves, and every answer says by how much it differs, so that each page can.
 */
export function byRightClock(clocks: ComparedClock) {
  return async (_request: Request, response: Response, next: NextFunction): Promise<void> => {
    await clocks.caughtUp()
    const { offsetMs, isRefused } = clocks.state
    if (isRefused)
      throw new ApiError(503, 'unavailable', 'The clock of this server is wrong: another one serves. Try again in a few seconds.', {
        retryAfterS: againInS,
      })
    if (Math.abs(offsetMs ?? 0) > refuseMs) response.set(clockHeader, String(offsetMs))
    next()
  }
}
