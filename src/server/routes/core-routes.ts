import { Router } from 'express'
import { isMalformed } from '#core/case/problem'
import { readCase } from '#core/case/read-case'
import { judgeRounds } from '#core/observations/judge-rounds'
import { readCheck } from '#core/observations/read-check'
import { findTechnique } from '#core/techniques/registry'
import { invalidInput } from '../api-error'
import { requireCsrf, requireSession, type SignedInRequest } from '../middleware/session'
import type { Planner } from '../planning/planner'

/** Plans a case file and judges a check file without storing anything. */
export function coreRoutes(planner: Planner): Router {
  const router = Router()

  router.post('/api/plans', async (request: SignedInRequest, response) => {
    requireCsrf(request, requireSession(request))
    const { clinicalCase, problems } = readCase(request.body)
    const plan = clinicalCase && (await planner.planWhole(clinicalCase, problems))
    if (!plan) throw invalidInput(problems)
    const malformed = plan.problems.filter(isMalformed)
    if (malformed.length > 0) throw invalidInput(malformed)
    response.json(plan)
  })

  router.post('/api/checks', (request: SignedInRequest, response) => {
    requireCsrf(request, requireSession(request))
    const { clinicalCase, rounds, problems } = readCheck(request.body)
    const technique = clinicalCase && findTechnique(clinicalCase.technique)
    if (!clinicalCase || !technique || problems.some(isMalformed)) throw invalidInput(problems)
    response.json({ format: 'zesty-wren/verdict', version: 1, rounds: judgeRounds(clinicalCase, rounds, technique.onUrgent.device) })
  })
  return router
}
