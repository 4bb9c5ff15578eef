import type { Router } from 'express'
import { isMalformed } from '#core/model/problem'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import { limitBody } from '../middleware/json-body'
import type { Planner } from '../planning/planner'

/** A case file with thousands of readings is longer than any patient's; so much is planned at once and no more. */
const mostBytes = 256 * 1024

/** Plans a case file and judges a check file without storing anything, for who may read. */
export function coreRoutes({ router, route }: Guarded, planner: Planner): Router {
  route('POST /api/plans', async (request: SignedInRequest, response) => {
    limitBody(request, mostBytes, 'send one case at a time')
    const { plan, problems } = await inputTooHeavy(() => planner.planFile(request.body))
    if (!plan) throw invalidInput(problems)
    const malformed = plan.problems.filter(isMalformed)
    if (malformed.length > 0) throw invalidInput(malformed)
    response.json(plan)
  })

  route('POST /api/checks', async (request: SignedInRequest, response) => {
    limitBody(request, mostBytes, 'send one case at a time')
    const { rounds, problems } = await inputTooHeavy(() => planner.judgeFile(request.body))
    if (!rounds) throw invalidInput(problems)
    response.json({ format: 'zesty-wren/verdict', version: 1, rounds })
  })
  return router
}

/** What takes too long here was asked for by this file, so that its sender is told, not the person who runs the server. */
async function inputTooHeavy<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof ApiError && error.code === 'too-heavy') throw new ApiError(422, 'too-heavy', error.message)
    throw error
  }
}
