import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { Step } from '#core/model/step'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { schema as planSchema } from '#contract/events/planning/plan.schema'
import { newestVersion, upcastBody } from '#contract/events/upcast'
import { exampleOf } from '../../harness/example-cases'
import { testContext } from '../../harness/leg-slab-cases'

/** A plan as it was kept before steps had roles, or holds said what they hold. */
function oldPlan(id: string) {
  const { clinicalCase } = readCase(exampleOf(id))
  const plan = clinicalCase && planCase(clinicalCase, testContext())
  if (!plan) throw new Error(id)
  const steps = plan.procedure.steps.map(({ roles: _, holds, ...step }) => {
    if (!holds) return { ...step, holds: null }
    const { what: __, ...hold } = holds
    return { ...step, holds: hold }
  })
  return { now: plan, old: JSON.parse(JSON.stringify({ ...plan, procedure: { steps } })) as object }
}

describe('plans that were kept before steps had roles', () => {
  for (const { id } of techniques) {
    it(`${id}: have the roles of today, in what was accepted and in what a run began with`, () => {
      const { now, old } = oldPlan(id)
      for (const [kind, body] of [
        ['plan', { plan: old }],
        ['run-started', { runId: 'r', plan: old }],
      ] as const) {
        const { plan } = upcastBody(kind, newestVersion(kind) - 1, body) as { plan: { procedure: { steps: readonly Step[] } } }
        expect(plan.procedure.steps.map((step) => step.roles)).to.deep.equal(now.procedure.steps.map((step) => step.roles))
        for (const step of plan.procedure.steps) if (step.holds) expect(step.holds.what, `${id} ${step.id}`).to.be.a('string')
        expect(planSchema.validate({ plan }, { abortEarly: false }).error).to.equal(undefined)
      }
    })
  }

  it('keep the roles that they have', () => {
    const body = { plan: { technique: 'leg-slab', procedure: { steps: [{ id: 'padding', roles: ['wraps'] }] } } }
    const { plan } = upcastBody('plan', 1, body) as { plan: { procedure: { steps: readonly Step[] } } }
    expect(plan.procedure.steps[0]?.roles).to.deep.equal(['wraps'])
  })

  it('are refused by name where a role or a held thing is none', () => {
    const { now } = oldPlan('leg-slab')
    const faults = (change: object): readonly string[] => {
      const steps = now.procedure.steps.map((step, index) => (index === 0 ? { ...step, ...change } : step))
      const result = planSchema.validate(
        { plan: JSON.parse(JSON.stringify({ ...now, procedure: { steps } })) as object },
        { abortEarly: false },
      )
      return result.error?.details.map((detail) => detail.path.join('/')) ?? []
    }
    expect(faults({ roles: ['floats'] })).to.deep.equal(['plan/procedure/steps/0/roles/0'])
    expect(faults({ holds: { what: 'ear', from: 'a', to: 'b' } })).to.deep.equal(['plan/procedure/steps/0/holds/what'])
    expect(faults({})).to.deep.equal([])
  })
})
