import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { RecallAnswer } from '#contract/api/recall'
import type { CaseRecord } from '#contract/records/case'
import { createStockRepository } from '../../../src/server/repositories/stock'
import { syncCatalogue } from '../../../src/server/services/sync-catalogue'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('recalling a lot', () => {
  let harness: Harness
  let ada: Client
  let wearing: OpenedCase
  let past: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician', 'lead'])
    const stock = createStockRepository(harness.db)
    await syncCatalogue(stock)
    const place = { type: 'place', id: uuidv7() } as const
    await ada.send(place, 'place-opened', { name: 'Plaster room', kind: 'plaster-room' })
    const [itemCode] = [...(await stock.itemCodes())].filter((one) => one.startsWith('padding'))
    await ada.send(place, 'stock-received', { lotId: uuidv7(), itemCode, lot: 'TN-7781', expiresOn: null, count: 5 })
    await ada.send(place, 'stock-received', { lotId: uuidv7(), itemCode, lot: 'tn-7781', expiresOn: null, count: 5 })
    wearing = await openCase(ada)
    past = await openCase(ada)
    for (const one of [wearing, past]) {
      await ada.send(one.caseStream, 'applied', {})
      const taken = await ada.send(place, 'stock-taken', { itemCode, count: 1, caseId: one.caseStream.id })
      expect(taken.status).to.equal(200)
    }
    await ada.send(past.caseStream, 'removed', { reason: 'healed' })
  })
  after(() => harness.stop())
  const recall = async (lot: string): Promise<RecallAnswer> =>
    (await ada.get(`/api/recall?lot=${encodeURIComponent(lot)}`)).body as unknown as RecallAnswer
  const pathsOf = (answer: Answer): readonly string[] => ((answer.body['errors'] ?? []) as { path: string }[]).map((one) => one.path)

  it('finds who wears it and who wore it, whoever wears it first', async () => {
    const { cases } = await recall('TN-7781')
    expect(cases.map((one) => [one.row.caseId, one.isOn])).to.deep.equal([
      [wearing.caseStream.id, true],
      [past.caseStream.id, false],
    ])
    expect(cases[0]?.items[0]).to.match(/padding/)
    expect(cases[0]?.by).to.equal('ada')
  })

  it('takes a lot to the letter, and says nothing of one that nobody has', async () => {
    expect((await recall('tn-7781')).cases).to.deep.equal([])
    expect((await recall('TN-778')).cases).to.deep.equal([])
  })

  it('finds what was named as used, by the last answer about it, to the letter', async () => {
    const other = await openCase(ada)
    const say = async (lots: readonly string[]): Promise<Answer> => ada.send(other.caseStream, 'lots', { item: 'slab', lots })
    expect((await say(['100%_CAST', 'TS-1'])).status).to.equal(200)
    expect((await recall('100%_CAST')).cases.map((one) => [one.row.caseId, one.items])).to.deep.equal([[other.caseStream.id, ['slab']]])
    expect((await recall('100%_cast')).cases).to.deep.equal([])
    expect((await recall('100xyCAST')).cases).to.deep.equal([])
    await say([])
    expect((await recall('TS-1')).cases).to.deep.equal([])
    const refused = await say(['x'])
    expect([refused.status, pathsOf(refused)]).to.deep.equal([422, ['body/lots/0']])
  })

  it('finds an incident that names it, also where nothing came from the store', async () => {
    const other = await openCase(ada)
    const report = { what: 'The buckle broke under pull, strap replaced', harm: 'minor', lot: 'PT-0426' }
    expect((await ada.send(other.caseStream, 'incident', report)).status).to.equal(200)
    const { cases } = await recall('PT-0426')
    expect(cases.map((one) => [one.row.caseId, one.items, one.isOn])).to.deep.equal([[other.caseStream.id, [], false]])
    const record = (await ada.get(`/api/cases/${other.caseStream.id}`)).body['record'] as CaseRecord
    expect(record.incidents?.[0]).to.include({ ...report, by: 'ada' })
  })

  it('is reported after the device is off, and after the end, too', async () => {
    const report = { what: 'Skin was found broken under it afterwards', harm: 'minor', lot: '' }
    expect((await ada.send(past.caseStream, 'incident', report)).status).to.equal(200)
    await ada.send(past.caseStream, 'ended', { how: 'ward', note: '' })
    expect((await ada.send(past.caseStream, 'incident', report)).status).to.equal(200)
  })

  it('refuses a report that says nothing, and a question without a lot', async () => {
    for (const [change, path] of [
      [{ what: 'broke' }, 'body/what'],
      [{ harm: 'some' }, 'body/harm'],
      [{ lot: 'x'.repeat(41) }, 'body/lot'],
    ] as const) {
      const body = { what: 'The buckle broke under pull', harm: 'none', lot: '', ...change }
      const answer = await ada.send(wearing.caseStream, 'incident', body)
      expect([answer.status, ...pathsOf(answer)]).to.deep.equal([422, path])
    }
    expect((await ada.get('/api/recall')).status).to.equal(422)
    expect((await ada.get('/api/recall?lot=x')).status).to.equal(422)
    expect((await fetch(`${harness.address}/api/recall?lot=TN-7781`)).status).to.equal(401)
  })
})
