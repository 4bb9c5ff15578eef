import { Router, type Response } from 'express'
import { rateLimit } from 'express-rate-limit'
import { signInSchema } from '#contract/api/sign-in.schema'
import type { Person, SessionAnswer } from '#contract/api/session'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import { parseWith } from '../middleware/validate'
import { requireCsrf, sessionCookie, type SignedInRequest } from '../middleware/session'
import type { Account } from '../repositories/people'
import type { SignInService } from '../services/sign-in'

export interface SessionRouteDeps {
  readonly signIn: SignInService
  readonly clock: Clock
  /** Whether the site is served over https, so that the cookie never travels without it. */
  readonly isSecure: boolean
  /** Wrong sign-ins allowed from one address in five minutes. */
  readonly wrongSignInsAllowed: number
}

/** GET, POST and DELETE of the session: who is signed in, sign in, sign out. */
export function sessionRoutes(deps: SessionRouteDeps): Router {
  const router = Router()
  const limiter = rateLimit({
    windowMs: 5 * 60_000,
    limit: deps.wrongSignInsAllowed,
    skipSuccessfulRequests: true,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_request, _response, next) => next(new ApiError(429, 'too-many', 'Too many wrong sign-ins from here: wait five minutes.')),
  })
  const send = (response: Response, account: Account | null, csrf: string | null): void => {
    const answer: SessionAnswer = { person: account && toPerson(account), csrf, now: new Date(deps.clock()).toISOString() }
    response.json(answer)
  }

  router.get('/api/session', (request: SignedInRequest, response) => {
    send(response, request.session?.account ?? null, request.session?.csrf ?? null)
  })
  router.post('/api/session', limiter, async (request, response) => {
    const { name, password } = parseWith<{ name: string; password: string }>(signInSchema, request.body)
    const opened = await deps.signIn.signIn(name.trim(), password)
    response.cookie(sessionCookie, opened.token, { httpOnly: true, sameSite: 'strict', secure: deps.isSecure, path: '/' })
    send(response, opened.account, opened.csrf)
  })
  router.delete('/api/session', async (request: SignedInRequest, response) => {
    if (request.session) {
      requireCsrf(request, request.session)
      await deps.signIn.signOut(request.session.sessionId)
    }
    response.clearCookie(sessionCookie, { path: '/' })
    send(response, null, null)
  })
  return router
}

/** What clients may know of a person. */
export function toPerson(account: Account): Person {
  return { id: account.id, name: account.name, roles: account.roles, settings: account.settings, version: account.version }
}
