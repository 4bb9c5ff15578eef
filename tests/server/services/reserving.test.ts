import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord, CaseStore } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { EventInput } from '#contract/event'
import { planStock, type StockAnswer, type StockLine } from '#contract/records/store'
import type { BoardRow } from '#contract/api/board'
import { standingOf } from '#ward/standing/standing-of-case'
import { createEventRepository } from '../../../src/server/repositories/events'
import { chainHash } from '../../../src/server/ledger/chain-hash'
import { defineModels } from '../../../src/server/db/models'
import { createStockRepository } from '../../../src/server/repositories/stock'
import { genesis } from '../../../src/server/repositories/streams'
import { syncCatalogue } from '../../../src/server/services/sync-catalogue'
import { goodBodies } from '../../harness/cases/good-events'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const header = 'item_code,lot,expires_on,count'

/** What an accepted plan needs is set aside with it or not at all; a lot is one lot; a place's chain tells of everything. */
describe('stock that plans and people take from', () => {
  let harness: Harness
  let lead: Client
  let bram: Client
  let placeId: string
  before(async () => {
    harness = await startHarness()
    lead = await harness.signIn('maren', ['lead'])
    bram = await harness.signIn('bram', ['clinician'])
    await syncCatalogue(createStockRepository(harness.db))
  })
  after(() => harness.stop())
  beforeEach(async () => {
    const made = { type: 'place', id: uuidv7() } as const
    await lead.send(made, 'place-opened', { name: `Plaster room ${made.id}`, kind: 'plaster-room' })
    placeId = made.id
  })

  const place = () => ({ type: 'place', id: placeId }) as const
  const load = (rows: readonly string[]): Promise<Answer> =>
    lead.sendRaw(`/api/store/${placeId}/stock.csv`, [header, ...rows].join('\n'), 'text/csv')
  const lines = async (): Promise<readonly StockLine[]> => ((await lead.get(`/api/store/${placeId}`)).body as unknown as StockAnswer).lines
  const reserved = async (): Promise<Record<string, number>> =>
    Object.fromEntries((await lines()).filter((line) => line.reserved > 0).map((line) => [line.itemCode, line.reserved]))
  const fetchCase = async (opened: OpenedCase) =>
    (await bram.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as {
      record: CaseRecord
      version: number
      episode: EpisodeRecord
    }

  /** A measured case that takes from the place as it is now, with the plan that the server makes of it. */
  const readyCase = async (): Promise<{ opened: OpenedCase; plan: object; version: number }> => {
    const opened = await openCase(bram)
    await bram.send(opened.episodeStream, 'patient', goodBodies.patient)
    for (const [id, side, value] of [
      ['slab-path', 'right', 52],
      ['ankle-girth', 'left', 25],
      ['calf-girth', 'left', 38],
      ['below-knee-girth', 'left', 34],
    ] as const)
      await bram.send(opened.caseStream, 'reading', reading(id, side, value))
    const store: CaseStore = { placeId, placeName: 'Plaster room', items: planStock(await lines(), '2026-01-10') }
    expect((await bram.send(opened.caseStream, 'store', store)).status).to.equal(200)
    const { record, episode, version } = await fetchCase(opened)
    const plan = await harness.planner.planWhole(toClinicalCase(record, episode), defaultProtocol)
    if (!plan) throw new Error('no plan')
    return { opened, plan, version }
  }
  const accept = ({ opened, plan, version }: Awaited<ReturnType<typeof readyCase>>, envelope: Partial<EventInput> = {}) =>
    bram.sendAs(opened.caseStream, 'plan', { plan }, { base: version, ...envelope })
  const enough = [
    'plaster-slab/20,S1,,1',
    'plaster-slab/15,S2,,1',
    'padding-roll/10,P1,,20',
    'padding-roll/15,P2,,20',
    'elastic-bandage/10,E1,,20',
  ]

  it('an accepted plan sets aside what it needs, and another of the same does not get the last one', async () => {
    await load(enough)
    const [first, second] = [await readyCase(), await readyCase()]
    expect((await accept(first)).status).to.equal(200)
    const held = await reserved()
    expect(held).to.include({ 'plaster-slab/20': 1 })
    const refused = await accept(second)
    expect(refused.status).to.equal(409)
    expect(refused.body['type']).to.equal('urn:zesty-wren:error:out-of-stock')
    expect(refused.body['detail']).to.match(/plaster slab, 20 cm is gone/)
    expect((await fetchCase(second.opened)).record.accepted, 'nothing of it is kept').to.equal(null)
    expect(await reserved()).to.deep.equal(held)
  })

  it('a plan that is not taken sets nothing aside', async () => {
    await load(enough)
    const ready = await readyCase()
    const wrong = { ...ready, plan: { ...ready.plan, care: ['something else'] } }
    expect((await accept(wrong)).status).to.equal(409)
    expect((await accept({ ...ready, version: ready.version - 1 })).status, 'stale').to.equal(409)
    expect(await reserved()).to.deep.equal({})
  })

  it('accepting again lets go of what the first had, also where the case took from before', async () => {
    await load(enough)
    const ready = await readyCase()
    expect((await accept(ready)).status).to.equal(200)
    const before = await reserved()
    expect((await accept({ ...ready, version: ready.version + 1 })).status).to.equal(200)
    expect(await reserved()).to.deep.equal(before)
    const other = { type: 'place', id: uuidv7() } as const
    await lead.send(other, 'place-opened', { name: `Trolley ${other.id}`, kind: 'trolley' })
    const moved: CaseStore = { placeId: other.id, placeName: 'Trolley', items: (await fetchCase(ready.opened)).record.store?.items ?? [] }
    await bram.send(ready.opened.caseStream, 'store', moved, ready.version + 2)
    const refused = await accept({ ...ready, version: ready.version + 3 })
    expect(refused.status, 'the other place has nothing').to.equal(409)
    expect(await reserved(), 'and the first keeps it').to.deep.equal(before)
  })

  it('a plan accepted without a connection is taken even when something is gone by then, and says so', async () => {
    await load(enough)
    const [first, second] = [await readyCase(), await readyCase()]
    await accept(first)
    const late = await accept(second, { queued: true })
    expect(late.status).to.equal(200)
    // Said on the case and on the Board, to whoever looks.
    const { record, episode } = await fetchCase(second.opened)
    expect(record.accepted?.by).to.equal('bram')
    expect(record.accepted?.gone?.items.join()).to.match(/plaster slab, 20 cm/)
    expect(
      standingOf(record, episode, null, harness.now)
        .items.map((item) => item.text)
        .join(),
    ).to.match(/Gone at .* when this plan came: .*plaster slab, 20 cm/)
    const row = ((await bram.get('/api/board')).body['rows'] as BoardRow[]).find((one) => one.caseId === record.id)
    expect(row?.finding).to.match(/plaster slab, 20 cm/)
    expect((await reserved())['plaster-slab/20']).to.equal(1)
    expect((await reserved())['padding-roll/10']).to.be.greaterThan(0)
  })

  it('dropping the plan lets go, and every change is in the place’s chain', async () => {
    await load(enough)
    const ready = await readyCase()
    await accept(ready)
    expect((await bram.send(ready.opened.caseStream, 'plan-dropped', {})).status).to.equal(200)
    expect(await reserved()).to.deep.equal({})
    const events = await createEventRepository(harness.db, defineModels(harness.db)).ofStream('place', placeId)
    expect(events.map((one) => one.version)).to.deep.equal(events.map((_one, index) => index + 1))
    expect(events.map((one) => one.kind)).to.include.members(['place-opened', 'stock-imported', 'stock-reserved', 'stock-released'])
    expect(events.every((event, index) => chainHash(events[index - 1]?.hash ?? genesis, event, event.rule) === event.hash)).to.equal(true)
    const heads = await harness.db.query('SELECT version, head_hash AS hash FROM places WHERE id = :placeId', {
      type: QueryTypes.SELECT,
      replacements: { placeId },
    })
    expect(heads[0]).to.deep.equal({ version: events.length, hash: events.at(-1)?.hash })
  })

  it('the same event twenty times takes once', async () => {
    await load(['plaster-slab/15,A1,,9'])
    const id = uuidv7()
    const take = () => bram.sendAs(place(), 'stock-taken', { itemCode: 'plaster-slab/15', count: 2 }, { id })
    const answers = await Promise.all(Array.from({ length: 20 }, take))
    expect(answers.map((answer) => answer.status)).to.deep.equal(Array.from({ length: 20 }, () => 200))
    expect((await lines()).find((line) => line.itemCode === 'plaster-slab/15')?.lots[0]?.count).to.equal(7)
  })

  describe('lots', () => {
    const receive = (body: object) =>
      bram.send(place(), 'stock-received', {
        lotId: uuidv7(),
        itemCode: 'plaster-slab/15',
        lot: 'a1',
        expiresOn: '2027-01-01',
        count: 1,
        ...body,
      })
    const lots = async () => (await lines()).find((line) => line.itemCode === 'plaster-slab/15')?.lots ?? []

    it('are told apart to the letter, and by their expiry', async () => {
      for (const body of [{}, { lot: 'A1' }, { lot: 'a1 ' }, { lot: 'ä1' }, { expiresOn: '2027-01-02' }, { expiresOn: null }, { count: 4 }])
        expect((await receive(body)).status).to.equal(200)
      const found = (await lots()).map((lot) => `${lot.lot}|${lot.expiresOn ?? ''}|${lot.count}`)
      expect(found).to.have.members([
        'a1|2027-01-01|5',
        'A1|2027-01-01|1',
        'a1 |2027-01-01|1',
        'ä1|2027-01-01|1',
        'a1|2027-01-02|1',
        'a1||1',
      ])
    })

    it('keep their id to themselves: one of another place, item, number or expiry is refused', async () => {
      const lotId = uuidv7()
      expect((await receive({ lotId })).status).to.equal(200)
      expect((await receive({ lotId, count: 2 })).status, 'more of the same').to.equal(200)
      for (const body of [{ lot: 'b2' }, { expiresOn: null }, { itemCode: 'plaster-slab/20' }]) {
        expect((await receive({ lotId, ...body })).status, JSON.stringify(body)).to.equal(422)
      }
      const other = { type: 'place', id: uuidv7() } as const
      await lead.send(other, 'place-opened', { name: `Trolley ${other.id}`, kind: 'trolley' })
      const there = { lotId, itemCode: 'plaster-slab/15', lot: 'a1', expiresOn: '2027-01-01', count: 1 }
      expect((await bram.send(other, 'stock-received', there)).status).to.equal(422)
      expect((await lots()).map((lot) => lot.count)).to.deep.equal([3])
    })

    it('expire on a day that there is', async () => {
      expect((await receive({ expiresOn: '2027-02-30' })).status).to.equal(422)
    })
  })

  it('what is taken or set aside is for a case that there is', async () => {
    await load(['plaster-slab/15,A1,,9'])
    for (const kind of ['stock-taken', 'stock-reserved'] as const)
      expect((await bram.send(place(), kind, { itemCode: 'plaster-slab/15', count: 1, caseId: uuidv7() })).status, kind).to.equal(422)
  })

  describe('CSV', () => {
    it('cannot start a formula where it is opened, and comes back as it was', async () => {
      const lotNames = ['=1+2', '+cmd', '-2', '@sum', 'plain']
      expect((await load(lotNames.map((lot) => `plaster-slab/15,${lot},,3`))).status).to.equal(200)
      const out = String((await bram.get(`/api/store/${placeId}/stock.csv`)).body['text'])
      for (const cell of out.split(/\r\n|,/)) expect(cell).not.to.match(/^"?[=+\-@]/)
      expect((await lead.sendRaw(`/api/store/${placeId}/stock.csv`, out, 'text/csv')).body).to.deep.equal({ rows: 5 })
      const line = (await lines()).find((one) => one.itemCode === 'plaster-slab/15')
      expect(line?.lots.map((lot) => lot.lot)).to.have.members(lotNames)
      expect(line?.lots.every((lot) => lot.count === 3)).to.equal(true)
    })

    for (const [what, text, status] of [
      ['four million commas', ','.repeat(4_000_000), 422],
      ['commas below good columns', `${header}\n${','.repeat(4_000_000)}`, 422],
      ['one cell of four megabytes', `${header}\nplaster-slab/15,${'x'.repeat(4_000_000)},,1`, 422],
      ['a million empty rows', `${header}\n${',,,\n'.repeat(1_000_000)}`, 422],
      ['more than five megabytes', ','.repeat(5_300_000), 413],
    ] as const) {
      it(`${what} is refused with a sentence, while others are answered`, async () => {
        let answered = 0
        let isDone = false
        const others = (async () => {
          while (!isDone) {
            expect((await bram.get('/api/board')).status).to.equal(200)
            answered++
          }
        })()
        const answer = await lead.sendRaw(`/api/store/${placeId}/stock.csv`, text, 'text/csv')
        isDone = true
        await others
        expect(answer.status).to.equal(status)
        expect(answer.body['detail']).to.match(/[a-z].{8,}\.$/)
        expect(answered, 'others are answered meanwhile').to.be.greaterThan(0)
      })
    }
  })
})
