import { Router, type Response } from 'express'
import Joi from 'joi'
import type { CodeAnswer, ManagedPeopleAnswer, PersonAction } from '#contract/api/people'
import { newPersonSchema, passwordChangeSchema, personActionSchema, rolesSchema } from '#contract/api/people.schema'
import { uuid } from '#contract/field-schemas'
import type { Role } from '#contract/rights'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import { requireCsrf, requireSession, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PeopleRepository } from '../repositories/people'
import type { PeopleManager } from '../services/manage-people'
import type { OpenSession } from '../services/sign-in'

const idSchema = Joi.object({ id: uuid.required() })

/** Who may come in: for admins; and the own password, for everybody. */
export function peopleRoutes({ manager, people, clock }: { manager: PeopleManager; people: PeopleRepository; clock: Clock }): Router {
  const router = Router()
  const asAdmin = (request: SignedInRequest): OpenSession => {
    const session = requireSession(request, 'manage-people')
    requireCsrf(request, session)
    return session
  }
  const idOf = (request: SignedInRequest): string => parseWith<{ id: string }>(idSchema, request.params).id

  router.get('/api/admin/people', async (request: SignedInRequest, response: Response<ManagedPeopleAnswer>) => {
    requireSession(request, 'manage-people')
    response.json({ people: await people.listManaged(new Date(clock())), now: new Date(clock()).toISOString() })
  })
  router.post('/api/admin/people', async (request: SignedInRequest, response: Response<CodeAnswer>) => {
    const { account } = asAdmin(request)
    const person = parseWith<{ name: string; signIn: string; roles: readonly Role[] }>(newPersonSchema, request.body)
    response.json(await manager.add({ ...person, name: person.name.trim(), signIn: person.signIn.trim().toLowerCase() }, account))
  })
  router.post('/api/admin/people/:id/roles', async (request: SignedInRequest, response) => {
    const { account } = asAdmin(request)
    await manager.setRoles(idOf(request), parseWith<{ roles: readonly Role[] }>(rolesSchema, request.body).roles, account)
    response.json({})
  })
  router.post('/api/admin/people/:id/actions', async (request: SignedInRequest, response) => {
    const { account } = asAdmin(request)
    const { action } = parseWith<{ action: PersonAction }>(personActionSchema, request.body)
    response.json((await manager.act(idOf(request), action, account)) ?? {})
  })

  // Whoever came in by a one-time code may do nothing else before this.
  router.post('/api/session/password', async (request: SignedInRequest, response) => {
    const { session } = request
    if (!session) throw new ApiError(401, 'not-signed-in', 'You are not signed in: sign in and try again.')
    requireCsrf(request, session)
    const { current, next } = parseWith<{ current: string; next: string }>(passwordChangeSchema, request.body)
    await manager.changePassword(session, current, next)
    response.json({})
  })
  return router
}
