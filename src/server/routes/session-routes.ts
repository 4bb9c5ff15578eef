import type { Response, Router } from 'express'
import { pinSchema, signInSchema } from '#contract/api/sign-in.schema'
import { deviceHeader, type PairedDevice, type Person, type SessionAnswer } from '#contract/api/session'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { Cookies } from '../middleware/cookies'
import { isLoadedSinceLock, requireCsrf, signedIn, triedFrom, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import { unattributedPrefix } from '#contract/records/episode'
import { isPairedDevice } from '#contract/rights'
import { signInForm } from '#contract/sign-in-name'
import { ApiError } from '../ground/api-error'
import type { Account, PeopleRepository } from '../repositories/people'
import type { DeviceKeyService } from '../people/device-keys'
import { longestKnown, type KnownDevices } from '../people/known-devices'
import type { ScreenLock } from '../people/screen-lock'
import { verifyPassword } from '../people/password'
import type { OpenSession, SignInService } from '../people/sign-in'

type Shown = Pick<OpenSession, 'account' | 'csrf' | 'pinHash'>
/** So long a device remembers who signed in on it; each sign-in begins it anew. */
const knownMs = 180 * 86_400_000

export interface SessionRouteDeps {
  readonly signIn: SignInService
  readonly people: PeopleRepository
  readonly lock: ScreenLock
  readonly keys: DeviceKeyService
  readonly knownDevices: KnownDevices
  readonly clock: Clock
  readonly cookies: Cookies
  /** Whether they have to set up a second factor before anything else. */
  readonly mustEnrol: (account: Account) => boolean
  readonly hasCareTeams: boolean
  readonly isTrial: boolean
}

/** The session: who is signed in, sign in, lock, unlock, sign out. */
export function sessionRoutes(
  { router, route }: Guarded,
  { signIn, people, lock, keys, knownDevices, clock, cookies, mustEnrol, hasCareTeams, isTrial }: SessionRouteDeps,
): Router {
  const now = (): string => new Date(clock()).toISOString()
  /** The device that a request comes from, if it is paired. */
  const pairedDevice = async (request: SignedInRequest): Promise<{ account: Account } | null> => {
    const [id = '', secret = ''] = cookies.read(request, 'wren_device', 200)?.split('.') ?? []
    const account = secret === '' ? null : await people.find(id)
    const isDevice = account?.isActive && isPairedDevice(account.roles)
    return isDevice && (await verifyPassword(secret, account.passwordHash)) ? { account } : null
  }
  const deviceOf = (request: SignedInRequest): string => (request.get(deviceHeader) ?? '').slice(0, 40)
  /** What the device of a request keeps to be worked on without a line and without an account. */
  const pairing = async (request: SignedInRequest): Promise<PairedDevice | null> => {
    const account = (await pairedDevice(request))?.account
    if (!account) return null
    const { seal, ticket } = await keys.keysOf(account, deviceOf(request), account)
    return { as: account.name.slice(unattributedPrefix.length), person: toPerson(account), seal, ticket }
  }
  const nobody = async (request: SignedInRequest): Promise<SessionAnswer> => ({
    person: null,
    csrf: null,
    isLocked: false,
    mustChange: false,
    hasSecondFactor: false,
    mustEnrol: false,
    hasPin: false,
    hasCareTeams,
    isTrial,
    paired: await pairing(request),
    keys: null,
    now: now(),
  })
  const send = async (request: SignedInRequest, response: Response<SessionAnswer>, opened: Shown): Promise<void> => {
    const { account, csrf } = opened
    const hasPin = opened.pinHash !== null
    response.json({
      person: toPerson(account),
      csrf,
      isLocked: false,
      mustChange: account.mustChange,
      hasSecondFactor: account.hasSecondFactor,
      mustEnrol: mustEnrol(account),
      hasPin,
      hasCareTeams,
      isTrial,
      paired: await pairing(request),
      // Whoever came by a one-time code is told nothing that opens a device before they chose a password.
      keys: account.mustChange ? null : await keys.keysOf(account, deviceOf(request), (await pairedDevice(request))?.account ?? null),
      now: now(),
    })
  }

  route('GET /api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const { session } = request
    if (!session) response.json(await nobody(request))
    else if (isLoadedSinceLock(request, session))
      response.json({ ...(await nobody(request)), person: toPerson(session.account), isLocked: true, hasPin: session.pinHash !== null })
    else await send(request, response, session)
  })
  route('POST /api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const { name, password, code } = parseWith<{ name: string; password: string; code?: string }>(signInSchema, request.body)
    const form = signInForm(name)
    const kept = cookies.read(request, 'wren_known', longestKnown)
    const known = (await pairedDevice(request))?.account.id ?? (await knownDevices.knows(kept, form))
    const opened = await signIn.signIn(name, password, { ...triedFrom(request), known }, request.session, code)
    cookies.set(request, response, 'wren_session', opened.token)
    cookies.set(request, response, 'wren_known', await knownDevices.remember(kept, form), knownMs)
    await send(request, response, opened)
  })
  route('POST /api/session/emergency', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const paired = await pairedDevice(request)
    if (!paired)
      throw new ApiError(401, 'not-paired', 'This device is not paired for emergency entry: sign in, or ask an admin to pair it.')
    const opened = await signIn.signInDevice(paired.account, request.session)
    cookies.set(request, response, 'wren_session', opened.token)
    await send(request, response, opened)
  })
  route('DELETE /api/session', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    // Through a lock too: signing out shows nothing, and a page that was loaded since the lock knows no token.
    const { session } = request
    if (session) {
      if (!session.isLocked) requireCsrf(request, session)
      await signIn.signOut(session.sessionId)
    }
    cookies.clear(request, response, 'wren_session')
    response.json(await nobody(request))
  })

  route('POST /api/session/lock', async (request: SignedInRequest, response: Response) => {
    await lock.lock(signedIn(request))
    response.json({})
  })
  route('POST /api/session/unlock', async (request: SignedInRequest, response: Response<SessionAnswer>) => {
    const session = signedIn(request)
    await lock.unlock(session, parseWith<{ pin: string }>(pinSchema, request.body).pin)
    await send(request, response, session)
  })
  route('POST /api/session/pin', async (request: SignedInRequest, response: Response) => {
    const session = signedIn(request)
    await lock.setPin(session, parseWith<{ pin: string }>(pinSchema, request.body).pin)
    response.json({})
  })
  return router
}

/** What clients may know of a person. */
export function toPerson(account: Account): Person {
  const { id, name, signIn, roles, settings, version } = account
  return { id, name, signIn, roles, settings, version }
}
