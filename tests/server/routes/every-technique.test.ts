import { expect } from 'chai'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { isSamePlan } from '../../../src/server/kinds/planning/same-plan'
import type { Plan } from '#core/model/plan'
import { startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('every technique over the API', () => {
  let harness: Harness
  let client: Client
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['viewer'])
  })
  after(() => harness.stop())

  for (const technique of techniqueIds) {
    it(`${technique}: is planned as the core plans it`, async () => {
      const { status, body } = await client.post('/api/plans', exampleOf(technique))
      expect(status).to.equal(200)
      const own = planFile(exampleOf(technique))
      const theirs = body as unknown as Plan
      const plain = JSON.parse(JSON.stringify(own)) as Plan
      expect(theirs.decisions.map((decision) => [decision.id, decision.display])).to.deep.equal(
        plain.decisions.map((decision) => [decision.id, decision.display]),
      )
      expect(theirs.cautions.map((caution) => caution.code)).to.deep.equal(plain.cautions.map((caution) => caution.code))
      expect(theirs.procedure.steps.map((step) => step.id)).to.deep.equal(plain.procedure.steps.map((step) => step.id))
      expect(theirs.pending).to.deep.equal([])
      expect(isSamePlan(theirs, { ...plain, versions: theirs.versions })).to.equal(true)
    })

    for (const [what, change] of [
      ['a side that is none', { injury: { side: 'up' } }],
      ['a reading that is a list', { measurements: [[1]] }],
      ['options that are text', { options: 'all' }],
      ['a crew of half a person', { crew: { people: 'half' } }],
      ['stock that is a number', { stock: 7 }],
      ['orders that are a list', { orders: [1] }],
    ] as const) {
      it(`${technique}: answers ${what} with words, never with 500`, async () => {
        const { status, body } = await client.post('/api/plans', { ...exampleOf(technique), ...change })
        expect(status).to.be.oneOf([200, 422])
        const problems = (body['problems'] ?? body['errors']) as { code: string; path: string; message: string }[]
        expect(problems.length).to.be.greaterThan(0)
        for (const one of problems) {
          expect(one.path).to.match(/\S/)
          expect(one.message).to.match(/\S/)
        }
      })
    }
  }
})
