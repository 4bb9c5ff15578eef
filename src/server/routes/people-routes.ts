import type { Response, Router } from 'express'
import Joi from 'joi'
import type { CodeAnswer, ManagedPeopleAnswer, OwnSessionsAnswer, PersonAction } from '#contract/api/people'
import {
  addressSchema,
  newPersonSchema,
  ownSessionSchema,
  pairingSchema,
  passwordChangeSchema,
  personActionSchema,
  rolesSchema,
} from '#contract/api/people.schema'
import type { RecoveryAnswer, SecondFactorAnswer } from '#contract/api/session'
import { passwordSchema, secondCodeSchema } from '#contract/api/sign-in.schema'
import { uuid } from '#contract/field-schemas'
import type { Role } from '#contract/rights'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { Cookies } from '../middleware/cookies'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PeopleManager } from '../people/manage-people'

const idSchema = Joi.object({ id: uuid.required() })

export interface PeopleRouteDeps {
  readonly manager: PeopleManager
  readonly clock: Clock
  readonly cookies: Cookies
}

/** Browsers forget what is older anyway. */
const pairedMs = 400 * 86_400_000

/** Who may come in: for admins; and the own password, for everybody. */
export function peopleRoutes({ router, route }: Guarded, { manager, clock, cookies }: PeopleRouteDeps): Router {
  const idOf = (request: SignedInRequest): string => parseWith<{ id: string }>(idSchema, request.params).id

  route('GET /api/admin/people', async (_request, response: Response<ManagedPeopleAnswer>) => {
    response.json({ ...(await manager.list()), now: new Date(clock()).toISOString() })
  })
  route('POST /api/admin/people', async (request: SignedInRequest, response: Response<CodeAnswer>) => {
    const { account } = signedIn(request)
    const person = parseWith<{ name: string; signIn: string; roles: readonly Role[] }>(newPersonSchema, request.body)
    response.json(await manager.add({ ...person, name: person.name.trim(), signIn: person.signIn }, account))
  })
  route('POST /api/admin/people/:id/roles', async (request: SignedInRequest, response) => {
    const { account } = signedIn(request)
    await manager.setRoles(idOf(request), parseWith<{ roles: readonly Role[] }>(rolesSchema, request.body).roles, account)
    response.json({})
  })
  route('POST /api/admin/people/:id/actions', async (request: SignedInRequest, response) => {
    const { account } = signedIn(request)
    const { action, session } = parseWith<{ action: PersonAction; session?: string }>(personActionSchema, request.body)
    response.json((await manager.act(idOf(request), action, account, session)) ?? {})
  })

  route('POST /api/admin/addresses', async (request: SignedInRequest, response) => {
    const { address } = parseWith<{ address: string }>(addressSchema, request.body)
    await manager.openAddress(address, signedIn(request).account)
    response.json({})
  })

  // The browser that the admin asks from is the one that is paired.
  route('POST /api/admin/devices', async (request: SignedInRequest, response) => {
    const { name } = parseWith<{ name: string }>(pairingSchema, request.body)
    const { id, secret } = await manager.pair(name, signedIn(request).account)
    cookies.set(request, response, 'wren_device', `${id}.${secret}`, pairedMs)
    response.json({})
  })

  // Whoever came in by a one-time code may do nothing else before this.
  route('POST /api/session/password', async (request: SignedInRequest, response) => {
    const { current, next } = parseWith<{ current: string; next: string }>(passwordChangeSchema, request.body)
    await manager.changePassword(signedIn(request), current, next)
    response.json({})
  })
  route('POST /api/session/prove', async (request: SignedInRequest, response) => {
    const { password } = parseWith<{ password: string }>(passwordSchema, request.body)
    await manager.prove(signedIn(request), password)
    response.json({})
  })
  route('GET /api/session/mine', async (request: SignedInRequest, response: Response<OwnSessionsAnswer>) => {
    response.json({ sessions: await manager.ownSessions(signedIn(request)), now: new Date(clock()).toISOString() })
  })
  route('POST /api/session/mine/end', async (request: SignedInRequest, response) => {
    const { session } = parseWith<{ session: string }>(ownSessionSchema, request.body)
    await manager.endOwnSession(signedIn(request), session)
    response.json({})
  })
  route('POST /api/session/second-factor', async (request: SignedInRequest, response: Response<SecondFactorAnswer>) => {
    const { password } = parseWith<{ password: string }>(passwordSchema, request.body)
    response.json(await manager.beginSecondFactor(signedIn(request), password))
  })
  route('POST /api/session/second-factor/confirm', async (request: SignedInRequest, response: Response<RecoveryAnswer>) => {
    const { code } = parseWith<{ code: string }>(secondCodeSchema, request.body)
    response.json(await manager.confirmSecondFactor(signedIn(request), code))
  })
  route('POST /api/session/second-factor/recovery', async (request: SignedInRequest, response: Response<RecoveryAnswer>) => {
    const { password } = parseWith<{ password: string }>(passwordSchema, request.body)
    response.json(await manager.renewRecovery(signedIn(request), password))
  })
  return router
}
