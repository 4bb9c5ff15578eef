import type { NextFunction, Request, Response } from 'express'
import { deviceHeader } from '#contract/api/session'
import { ApiError } from '../ground/api-error'
import { isPairedDevice } from '#contract/rights'
import type { ScreenLock } from '../people/screen-lock'
import type { Cookies } from './cookies'
import type { OpenSession, SignInService } from '../people/sign-in'

/** Requests that carry a session have it here. */
export interface SignedInRequest extends Request {
  session?: OpenSession
}

/** A page that is loaded after nobody has asked anything for so long finds the screen locked: a tab that was closed locks nothing itself. */
const lockAfterMs = 10 * 60_000

/**
 * Looks up the session of the cookie; requests that change something must carry its CSRF token. The page that was there goes by its own idle
 * lock; what comes without its token after ten quiet minutes locks the session, but a paired device's, which has nothing to open it with.
 */
export function readSession(signIn: SignInService, lock: Pick<ScreenLock, 'lock'>, cookies: Cookies) {
  return async (request: SignedInRequest, _response: Response, next: NextFunction): Promise<void> => {
    const token = cookies.read(request, 'wren_session', 100)
    const session = token === null ? null : await signIn.resume(token)
    if (session) request.session = await lockedIfLeft(request, session)
    next()
  }

  /** The session, locked where it was left. */
  async function lockedIfLeft(request: Request, session: OpenSession): Promise<OpenSession> {
    const isLeft = session.idleMs > lockAfterMs && !session.isLocked && request.get('x-csrf-token') !== session.csrf
    if (!isLeft || isPairedDevice(session.account.roles)) return session
    await lock.lock(session)
    return { ...session, isLocked: true }
  }
}

/**
 * Whether the page that asks was loaded since the screen was locked: it learns a name and nothing else. The page that was there before knows the
 * CSRF token; it goes on with what shows nothing of a patient, and is told its keys again.
 */
export function isLoadedSinceLock(request: SignedInRequest, session: OpenSession): boolean {
  return session.isLocked && request.get('x-csrf-token') !== session.csrf
}

/**
 * The session of a request, wherever somebody has to be signed in; whether they may do this is said by the table of rights.
 * @throws ApiError 401
 */
export function signedIn({ session }: SignedInRequest): OpenSession {
  if (!session) throw new ApiError(401, 'not-signed-in', 'You are not signed in: sign in and try again.')
  return session
}

/** Where a password or a code is tried: the browser as it names itself, else its address. */
export function triedFrom(request: Request): { readonly device: string; readonly address: string } {
  const address = request.ip ?? ''
  return { device: (request.get(deviceHeader) ?? '').slice(0, 40) || address, address }
}

/** Refuses a changing request without its CSRF token. */
export function requireCsrf(request: SignedInRequest, session: OpenSession): void {
  if (request.get('x-csrf-token') !== session.csrf) {
    throw new ApiError(403, 'csrf', 'The page is out of date: reload it and try again. Nothing you typed is lost.')
  }
}

/** Refuses what nobody signed in sends, before it is read. */
export function sessionBeforeBody(open: readonly string[]) {
  return (request: SignedInRequest, response: Response, next: NextFunction): void => {
    const isLong = Number(request.get('content-length') ?? 0) > 0 || request.get('transfer-encoding') !== undefined
    if (isLong && request.path.startsWith('/api/') && !open.includes(request.path) && !request.session) {
      response.set('connection', 'close')
      signedIn(request)
    }
    next()
  }
}
