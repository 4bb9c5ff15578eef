import type { NextFunction, Request, Response } from 'express'
import { hasRight, type Right } from '#contract/rights'
import { ApiError } from '../ground/api-error'
import type { OpenSession, SignInService } from '../services/sign-in'

export const sessionCookie = 'wren_session'

/** Requests that carry a session have it here. */
export interface SignedInRequest extends Request {
  session?: OpenSession
}

/** Looks up the session of the cookie; requests that change something must carry its CSRF token. */
export function readSession(signIn: SignInService) {
  return async (request: SignedInRequest, _response: Response, next: NextFunction): Promise<void> => {
    const token = (request.cookies as Record<string, unknown>)[sessionCookie]
    const session = typeof token === 'string' && token.length < 100 ? await signIn.resume(token) : null
    if (session) request.session = session
    next()
  }
}

/**
 * Whether a locked screen keeps this request out. The page that was there before the lock knows the CSRF token and goes on behind it, since
 * what is urgent must still sound; a page that was loaded since does not.
 */
export function isShutOut(request: SignedInRequest, session: OpenSession): boolean {
  return session.isLocked && request.get('x-csrf-token') !== session.csrf
}

/** The signed-in session of a request, with a right if one is named. */
export function requireSession(request: SignedInRequest, right?: Right): OpenSession {
  const { session } = request
  if (!session) throw new ApiError(401, 'not-signed-in', 'You are not signed in: sign in and try again.')
  if (isShutOut(request, session)) throw new ApiError(423, 'locked', 'The screen is locked: open it with the PIN or the password.')
  return withRight(session, right)
}

/** As `requireSession`, for what says nothing of a patient and goes on through a lock. */
export function requireSessionThroughLock(request: SignedInRequest, right?: Right): OpenSession {
  const { session } = request
  if (!session) throw new ApiError(401, 'not-signed-in', 'You are not signed in: sign in and try again.')
  return withRight(session, right)
}

function withRight(session: OpenSession, right?: Right): OpenSession {
  if (session.account.mustChange) throw new ApiError(403, 'change-password', 'Choose a password of your own first: the code was for once.')
  if (right && !hasRight(session.account.roles, right)) {
    throw new ApiError(403, 'no-right', `Your role (${session.account.roles.join(', ')}) may not do this: ask a clinician or a lead.`)
  }
  return session
}

/** Refuses a changing request without its CSRF token. */
export function requireCsrf(request: SignedInRequest, session: OpenSession): void {
  if (request.get('x-csrf-token') !== session.csrf) {
    throw new ApiError(403, 'csrf', 'The page is out of date: reload it and try again. Nothing you typed is lost.')
  }
}

/** Asks for session, right and token before a long body is read: nobody fills the memory with what will be refused. */
export function beforeBody(right: Right) {
  return (request: SignedInRequest, response: Response, next: NextFunction): void => {
    // What is refused was not read: the rest of it must not be taken for the next request.
    if (request.session === undefined) response.set('connection', 'close')
    requireCsrf(request, requireSession(request, right))
    next()
  }
}

/** Refuses what nobody signed in sends, before it is read. */
export function sessionBeforeBody(open: readonly string[]) {
  return (request: SignedInRequest, response: Response, next: NextFunction): void => {
    const isLong = Number(request.get('content-length') ?? 0) > 0 || request.get('transfer-encoding') !== undefined
    if (isLong && request.path.startsWith('/api/') && !open.includes(request.path) && !request.session) {
      response.set('connection', 'close')
      requireSession(request)
    }
    next()
  }
}
