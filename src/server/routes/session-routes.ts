import { Router, type Response } from 'express'
import { pinSchema, signInSchema } from '#contract/api/sign-in.schema'
import { deviceHeader, type Person, type SessionAnswer } from '#contract/api/session'
import type { Clock } from '../ground/clock'
import { parseWith } from '../middleware/validate'
import {
  isShutOut,
  requireCsrf,
  requireSession,
  requireSessionThroughLock,
  sessionCookie,
  type SignedInRequest,
} from '../middleware/session'
import type { Account } from '../repositories/people'
import type { DeviceKeyService } from '../services/device-keys'
import type { ScreenLock } from '../services/screen-lock'
import type { OpenSession, SignInService } from '../services/sign-in'

type Opened = Pick<OpenSession, 'account' | 'csrf' | 'pinHash'>

export interface SessionRouteDeps {
  readonly signIn: SignInService
  readonly lock: ScreenLock
  readonly keys: DeviceKeyService
  readonly clock: Clock
  /** Whether the site is served over https, so that the cookie never travels without it. */
  readonly isSecure: boolean
}

/** The session: who is signed in, sign in, lock, unlock, sign out. */
export function sessionRoutes({ signIn, lock, keys, clock, isSecure }: SessionRouteDeps): Router {
  const router = Router()
  const now = (): string => new Date(clock()).toISOString()
  const nobody = (): SessionAnswer => ({
    person: null,
    csrf: null,
    isLocked: false,
    mustChange: false,
    hasPin: false,
    keys: null,
    now: now(),
  })
  const send = async (request: SignedInRequest, response: Response<SessionAnswer>, opened: Opened): Promise<void> => {
    const { account, csrf } = opened
    const device = (request.get(deviceHeader) ?? '').slice(0, 40)
    const hasPin = opened.pinHash !== null
    response.json({
      person: toPerson(account),
      csrf,
      isLocked: false,
      mustChange: account.mustChange,
      hasPin,
      keys: await keys.keysOf(account.id, device),
      now: now(),
    })
  }

  router.get('/api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const { session } = request
    if (!session) response.json(nobody())
    else if (isShutOut(request, session))
      response.json({ ...nobody(), person: toPerson(session.account), isLocked: true, hasPin: session.pinHash !== null })
    else await send(request, response, session)
  })
  router.post('/api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const { name, password } = parseWith<{ name: string; password: string }>(signInSchema, request.body)
    const opened = await signIn.signIn(name.trim(), password, request.ip ?? '', request.session)
    response.cookie(sessionCookie, opened.token, { httpOnly: true, sameSite: 'strict', secure: isSecure, path: '/' })
    await send(request, response, opened)
  })
  router.delete('/api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    // Through a lock too: signing out shows nothing, and a page that was loaded since the lock knows no token.
    const { session } = request
    if (session) {
      if (!session.isLocked) requireCsrf(request, session)
      await signIn.signOut(session.sessionId)
    }
    response.clearCookie(sessionCookie, { path: '/' })
    response.json(nobody())
  })

  router.post('/api/session/lock', async (request: SignedInRequest, response: Response) => {
    await lock.lock(requireSessionThroughLock(request))
    response.json({})
  })
  router.post('/api/session/unlock', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const session = requireSessionThroughLock(request)
    await lock.unlock(session, parseWith<{ pin: string }>(pinSchema, request.body).pin)
    await send(request, response, session)
  })
  router.post('/api/session/pin', async (request: SignedInRequest, response: Response) => {
    const session = requireSession(request)
    requireCsrf(request, session)
    await lock.setPin(session, parseWith<{ pin: string }>(pinSchema, request.body).pin)
    response.json({})
  })
  return router
}

/** What clients may know of a person. */
export function toPerson(account: Account): Person {
  return { id: account.id, name: account.name, roles: account.roles, settings: account.settings, version: account.version }
}
