import { catalogue } from '#core/catalogue/catalogue'
import { readCase } from '#core/files/read-case'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import type { Decision } from '#core/model/decision'
import { finishPlan } from '#core/techniques/finish-plan'
import type { Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { defaultProtocol } from '#core/quantities/defaults'

/** A context with nothing remembered, at a fixed time. */
export function testContext(): PlanContext {
  return { catalogue, protocol: defaultProtocol, seed: 1, now: '2026-01-10T08:00:00Z', zone: 'UTC', memo: createMemo() }
}

export type CaseFile = Record<string, unknown> & {
  patient: Record<string, unknown>
  injury: Record<string, unknown>
  options: Record<string, unknown>
  measurements: Record<string, unknown>[]
}

/** A fresh, moderately swollen left ankle with the readings that a below-knee slab needs. */
export function ankleCase(): CaseFile {
  return {
    format: 'zesty-wren/case',
    version: 1,
    technique: 'leg-slab',
    patient: { ageYears: 41, heightCm: 171, massKg: 70, flags: [] },
    injury: { region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], swelling: 'moderate', levelCm: null },
    options: { extent: 'below-knee' },
    measurements: [
      { id: 'slab-path', side: 'right', value: 52, unit: 'cm' },
      { id: 'ankle-girth', side: 'left', value: 25, unit: 'cm' },
      { id: 'calf-girth', side: 'left', value: 38, unit: 'cm' },
      { id: 'below-knee-girth', side: 'left', value: 34, unit: 'cm' },
    ],
    crew: { people: 2 },
  }
}

/** Plans a case file whole, slow decisions included. */
export function planFile(file: unknown, ctx: PlanContext = testContext()): Plan {
  const { clinicalCase, problems } = readCase(file)
  if (!clinicalCase) throw new Error(`not a case: ${JSON.stringify(problems)}`)
  const plan = planCase(clinicalCase, ctx, problems)
  if (!plan) throw new Error('no plan')
  return finishPlan(plan, ctx, clinicalCase.overrules)
}

/** A decision by id, or a failure that names it. */
export function decisionOf(plan: Plan, id: string): Decision {
  const decision = plan.decisions.find((one) => one.id === id)
  if (!decision) throw new Error(`the plan has no ${id}`)
  return decision
}

/** Codes of a plan's cautions. */
export function cautionCodes(plan: Plan): readonly string[] {
  return plan.cautions.map((caution) => caution.code)
}

/** `code path` of a plan's problems. */
export function problemLines(plan: Plan): readonly string[] {
  return plan.problems.map((problem) => `${problem.code} ${problem.path}`)
}
