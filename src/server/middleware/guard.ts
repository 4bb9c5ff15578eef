import { Router, type RequestHandler } from 'express'
import { mayAsk, ruleOf, type RouteId } from '#contract/api/route-rights'
import { hasRight } from '#contract/rights'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { Account } from '../repositories/people'
import type { WhoHasIt } from '../writing/own-stays'
import { requireCsrf, signedIn, type SignedInRequest } from './session'

/** So long a password counts for what only an admin does. */
const proofMs = 5 * 60_000

export interface GuardDeps {
  readonly clock: Clock
  /** Whether they have to set up a second factor before anything else. */
  readonly mustEnrol: (account: Account) => boolean
  /** Whether somebody began the stay of this case themselves, and has not handed it over. */
  readonly isOwn: (account: Account, caseId: string) => Promise<boolean>
  /** Who has a case now that somebody began and has handed over; null for any other. */
  readonly whoHasIt: (account: Account, caseId: string) => Promise<WhoHasIt | null>
  readonly caseOfPhoto: (photoId: string) => Promise<string | null>
  /** Asks whoever is outside of a patient's care team why they read. */
  readonly admit: (account: Account, caseId: string) => Promise<void>
  /** Keeps that somebody read something of a patient. It is kept before it is answered. */
  readonly noteRead: (account: Account, route: RouteId, subject: string) => Promise<void>
}

/** A router that takes a route only with its row in the table of rights, and asks for what that says before anything else is done. */
export interface Guarded {
  readonly router: Router
  readonly route: (id: RouteId, ...handlers: readonly RequestHandler[]) => void
}

export type Guard = () => Guarded

/** Makes the guard of one application. */
export function createGuard(deps: GuardDeps): Guard {
  return () => {
    const router = Router()
    return {
      router,
      route(id, ...handlers) {
        const [method = '', path = ''] = id.split(' ')
        router[method.toLowerCase() as 'get' | 'post' | 'delete'](path, checkRow(id, deps), ...handlers)
      },
    }
  }
}

function checkRow(id: RouteId, deps: GuardDeps): RequestHandler {
  const rule = ruleOf(id)
  const changes = !id.startsWith('GET ')
  const caseOf = async (subject: string): Promise<string | null> => (rule.reads?.of === 'photo' ? deps.caseOfPhoto(subject) : subject)
  const isOfOwnCase = async (account: Account, subject: string): Promise<boolean> => {
    const caseId = await caseOf(subject)
    return caseId !== null && deps.isOwn(account, caseId)
  }
  const whereItWent = async (account: Account, subject: string): Promise<WhoHasIt | null> => {
    const caseId = subject === '' ? null : await caseOf(subject)
    return caseId === null ? null : deps.whoHasIt(account, caseId)
  }
  const admit = async (account: Account, subject: string): Promise<void> => {
    const caseId = rule.reads && rule.reads.of !== 'list' ? await caseOf(subject) : null
    if (caseId !== null) await deps.admit(account, caseId)
  }
  return async (request: SignedInRequest, response, next) => {
    if (rule.who === 'anybody') return next()
    // What is refused was not read: the rest of a long body must not be taken for the next request.
    if (changes && request.session === undefined) response.set('connection', 'close')
    const session = signedIn(request)
    const { account } = session
    // Whoever stands at a locked screen may have the page's token too: nothing but what shows nothing of a patient goes on behind it.
    if (!rule.throughLock && session.isLocked)
      throw new ApiError(423, 'locked', 'The screen is locked: open it with the PIN or the password.')
    if (!rule.whileSettingUp && account.mustChange)
      throw new ApiError(403, 'change-password', 'Choose a password of your own first: the code was for once.')
    if (!rule.whileSettingUp && deps.mustEnrol(account))
      throw new ApiError(403, 'second-factor', 'Set up your authenticator app first: this server wants it of leads and admins.')
    const subject = String(request.params['id'] ?? '')
    const ownRight = rule.own !== undefined && hasRight(account.roles, rule.own)
    const isOwn = ownRight && (subject === '' || (await isOfOwnCase(account, subject)))
    if (!mayAsk(id, account.roles, isOwn)) {
      const now = ownRight && (await whereItWent(account, subject))
      if (now)
        throw new ApiError(403, 'handed-over', `${now.by} has this patient${now.place ? `, ${now.place}` : ''}: ask there.`, {
          current: now,
        })
      throw new ApiError(403, 'no-right', `Your role (${account.roles.join(', ')}) may not do this: ask a clinician or a lead.`)
    }
    if (changes && !rule.withoutToken) requireCsrf(request, session)
    if (rule.wantsProof && deps.clock() - session.provedAtMs > proofMs)
      throw new ApiError(403, 'prove-again', 'Give your password again: it is more than five minutes since you did.')
    if (!isOwn) await admit(account, subject)
    if (rule.reads) await deps.noteRead(account, id, subject)
    next()
  }
}
