import { expect } from 'chai'
import { schema as planSchema } from '#contract/events/planning/plan.schema'
import { exampleOf } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

describe('plans that are accepted', () => {
  it('are refused by name where a role or a held thing is none', () => {
    const now = planFile(exampleOf('leg-slab'))
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
