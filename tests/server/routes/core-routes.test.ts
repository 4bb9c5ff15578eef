import { expect } from 'chai'
import { isSamePlan } from '../../../src/server/kinds/planning/same-plan'
import { ankleCase, planFile } from '../../harness/cases/leg-slab-cases'
import { bothLegs } from '../../../src/server/demo/findings'
import { startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('planning and judging over the API', () => {
  let harness: Harness
  let client: Client
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['viewer'])
  })
  after(() => harness.stop())

  it('plans a case whole', async () => {
    const { status, body } = await client.post('/api/plans', ankleCase())
    expect(status).to.equal(200)
    expect(body).to.include({ format: 'zesty-wren/plan', technique: 'leg-slab' })
    expect(body['pending']).to.deep.equal([])
    expect((body['decisions'] as { id: string }[]).map((one) => one.id)).to.include('least-crew')
  })

  it('answers clinical trouble with a plan that says so', async () => {
    const file = ankleCase()
    file.injury['pattern'] = 'achilles-rupture'
    file.measurements[2] = { id: 'calf-girth', side: 'left', value: 380, unit: 'cm' }
    const { status, body } = await client.post('/api/plans', file)
    expect(status).to.equal(200)
    expect((body['cautions'] as { code: string }[]).map((one) => one.code)).to.include('achilles-rupture')
    expect((body['problems'] as { code: string }[]).map((one) => one.code)).to.include('implausible')
  })

  for (const [name, file, code] of [
    ['another format', { format: 'x' }, 'format'],
    ['an unknown technique', { format: 'zesty-wren/case', version: 1, technique: 'magic' }, 'unknown-technique'],
    ['an unknown flag', { ...ankleCase(), patient: { flags: ['grumpy'] } }, 'unknown-flag'],
    ['text in a number', { ...ankleCase(), patient: { massKg: 'heavy' } }, 'format'],
    ['a list', [], 'format'],
  ] as const) {
    it(`refuses ${name} with 422`, async () => {
      const { status, body } = await client.post('/api/plans', file)
      expect(status).to.equal(422)
      expect((body['errors'] as { code: string }[]).map((one) => one.code)).to.include(code)
    })
  }

  it('judges rounds', async () => {
    const rounds = [
      { atMin: 0, baseline: true, ...bothLegs('left') },
      { atMin: 15, ...bothLegs('left', { pulse: 'absent' }) },
    ]
    const { status, body } = await client.post('/api/checks', { format: 'zesty-wren/check', version: 1, case: ankleCase(), rounds })
    expect(status).to.equal(200)
    expect((body['rounds'] as { level: string }[])[1]?.level).to.equal('urgent')
    expect((await client.post('/api/checks', { format: 'zesty-wren/check', version: 1, case: ankleCase(), rounds: [] })).status).to.equal(
      200,
    )
    expect((await client.post('/api/checks', { format: 'nope' })).status).to.equal(422)
  })
})

describe('two plans', () => {
  const plan = planFile(ankleCase())
  const altered = (change: (copy: { decisions: { value: unknown }[]; cautions: unknown[] }) => void) => {
    const copy = JSON.parse(JSON.stringify(plan)) as typeof plan
    change(copy as unknown as { decisions: { value: unknown }[]; cautions: unknown[] })
    return isSamePlan(plan, copy)
  }

  it('are the same in another order and with other last bits', () => {
    expect(altered((copy) => copy.decisions.reverse())).to.equal(true)
    expect(
      altered((copy) => {
        for (const one of copy.decisions) if (typeof one.value === 'number') one.value *= 1 + 1e-13
      }),
    ).to.equal(true)
  })

  it('differ by anything that a person could see', () => {
    expect(
      altered((copy) => {
        for (const one of copy.decisions) if (typeof one.value === 'number') one.value += 0.001
      }),
    ).to.equal(false)
    expect(altered((copy) => copy.cautions.pop())).to.equal(false)
    expect(
      altered((copy) => {
        if (copy.decisions[0]) copy.decisions[0].value = 'other'
      }),
    ).to.equal(false)
  })
})
