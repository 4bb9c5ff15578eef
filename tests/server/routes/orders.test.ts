import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import { unknownInjury } from '#contract/records/episode'
import { techniques } from '#core/techniques/registry'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('technique, orders and device of a case', () => {
  let harness: Harness
  let client: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    opened = await openCase(client)
  })

  const record = async (): Promise<CaseRecord> => (await client.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as CaseRecord
  /** What the core warns of, of the case as it stands. */
  const codes = async (): Promise<readonly string[]> =>
    (await harness.doubtsOf(opened.caseStream.id)).cautions.map((caution) => caution.code)
  const placeInjury = (region: string, pattern: string): Promise<Answer> =>
    client.send(opened.episodeStream, 'injury', {
      injuryId: opened.injuryId,
      injury: { ...unknownInjury, region, side: region === 'trunk' || region === 'neck' ? null : 'left', pattern, swelling: 'mild' },
    })

  for (const technique of techniques) {
    it(`plans ${technique.id} for a case that changes to it`, async () => {
      const region = technique.regions[0] ?? 'ankle'
      await placeInjury(region, technique.patterns[0] ?? 'other')
      const answer = await client.send(opened.caseStream, 'technique', { technique: technique.id })
      expect(answer.status).to.equal(200)
      expect(await codes()).not.to.include('wrong-region')
      expect((await record()).technique).to.equal(technique.id)
    })
  }

  it('says so when the technique is for another part of the body, and refuses one that does not exist', async () => {
    await client.send(opened.caseStream, 'technique', { technique: 'care-collar' })
    expect(await codes()).to.include('wrong-region')
    const unknown = await client.send(opened.caseStream, 'technique', { technique: 'no-such-item' })
    expect(unknown.status).to.equal(422)
    expect((await record()).technique).to.equal('care-collar')
  })

  it('keeps the technique once the application has begun', async () => {
    expect((await client.send(opened.caseStream, 'run-started', { runId: uuidv7(), withoutPlan: 'no plan in this test' })).status).to.equal(
      200,
    )
    const answer = await client.send(opened.caseStream, 'technique', { technique: 'walker-boot' })
    expect(answer.status).to.equal(422)
    expect(answer.body['detail']).to.match(/application has begun/)
    expect((await record()).technique).to.equal('leg-slab')
    const dropped = await client.send(opened.caseStream, 'plan-dropped', {})
    expect(dropped.status).to.equal(422)
    expect(dropped.body['detail']).to.match(/application has begun/)
  })

  it('lifts the caution once weight is ordered, and keeps who ordered it', async () => {
    await placeInjury('ankle', 'ankle-sprain')
    await client.send(opened.caseStream, 'technique', { technique: 'walker-boot' })
    expect(await codes()).to.include('not-ordered')
    await client.send(opened.caseStream, 'options', { options: { weight: 'allowed' } })
    const orders = { weight: { by: 'A. Lorne', at: '2026-01-10T08:00:00Z' } }
    await client.send(opened.caseStream, 'orders', { orders })
    expect(await codes()).not.to.include('not-ordered')
    expect((await record()).orders).to.deep.equal(orders)
  })

  it('lets a cast be opened early once the last round is urgent', async () => {
    await placeInjury('lower-leg', 'tibial-shaft-fracture')
    await client.send(opened.caseStream, 'technique', { technique: 'cast-opening' })
    const device = { material: 'plaster-fast', layers: 8, paddingLayers: 3, minutesSince: 30 }
    await client.send(opened.caseStream, 'device', { device })
    expect(await codes()).to.include('not-hard')
    await client.send(opened.caseStream, 'device', { device: { ...device, lastRound: 'urgent' } })
    expect(await codes()).not.to.include('not-hard')
  })

  for (const [kind, body] of [
    ['orders', { orders: { oxygen: 'gills' } }],
    ['orders', { orders: { week: -1 } }],
    ['orders', { orders: { brace: { by: 'x', at: 'y', extensionStop: 60, flexionStop: 30, lock: 'open' } } }],
    ['orders', { orders: { colour: 'green' } }],
    ['device', { device: { material: 'wood' } }],
    ['device', { device: { layers: 0 } }],
    ['device', { device: { minutesSince: 'long' } }],
    ['technique', {}],
  ] as const) {
    it(`refuses ${kind} ${JSON.stringify(body)} with 422 and stores nothing`, async () => {
      const before = await record()
      const answer = await client.send(opened.caseStream, kind, body)
      expect(answer.status).to.equal(422)
      expect((answer.body['errors'] as { path: string }[])[0]?.path).to.match(/^body\//)
      expect(await record()).to.deep.equal(before)
    })
  }
})
