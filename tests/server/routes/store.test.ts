import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { availableOf, planStock, type StockAnswer, type StockLine, type StockMovement } from '#contract/records/store'
import { createStockRepository } from '../../../src/server/repositories/stock'
import { syncCatalogue } from '../../../src/server/services/sync-catalogue'
import { itAtLength } from '../../harness/long'
import { openCase, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

const header = 'item_code,lot,expires_on,count'
const item = 'plaster-slab/15'

describe('the store', () => {
  let harness: Harness
  let lead: Client
  let bram: Client
  let placeId: string
  let caseId: string

  before(async () => {
    harness = await startHarness()
    lead = await harness.signIn('maren', ['lead'])
    bram = await harness.signIn('bram', ['clinician'])
    await syncCatalogue(createStockRepository(harness.db))
  })
  after(() => harness.stop())
  beforeEach(async () => {
    placeId = uuidv7()
    await createStockRepository(harness.db).addPlace({ id: placeId, name: `Plaster room ${placeId}`, kind: 'plaster-room' })
    caseId = (await openCase(bram)).caseStream.id
  })

  const load = (text: string, by: Client = lead): Promise<Answer> => by.sendRaw(`/api/store/${placeId}/stock.csv`, text, 'text/csv')
  const lineOf = async (code: string): Promise<StockLine> => {
    const { lines } = (await lead.get(`/api/store/${placeId}`)).body as unknown as StockAnswer
    const line = lines.find((one) => one.itemCode === code)
    if (!line) throw new Error(`no line ${code}`)
    return line
  }
  const place = () => ({ type: 'place', id: placeId }) as const
  const messages = (answer: Answer): string => JSON.stringify(answer.body['errors'])

  it('lists every catalogue item at every place, also what is out', async () => {
    const { lines, place: shown } = (await bram.get(`/api/store/${placeId}`)).body as unknown as StockAnswer
    expect(shown.kind).to.equal('plaster-room')
    expect(lines.length).to.be.greaterThan(60)
    expect(lines.every((line) => line.lots.length === 0)).to.equal(true)
    expect(((await bram.get('/api/store')).body['places'] as unknown[]).length).to.be.greaterThan(0)
    expect((await bram.get(`/api/store/${uuidv7()}`)).status).to.equal(404)
    expect((await bram.get('/api/store/nonsense')).status).to.equal(422)
  })

  it('opens a place for leads, by a name that no other has', async () => {
    const fresh = { type: 'place', id: uuidv7() } as const
    const body = { name: `Ward trolley ${fresh.id}`, kind: 'trolley' }
    expect((await bram.send(fresh, 'place-opened', body)).status).to.equal(403)
    expect((await lead.send(fresh, 'place-opened', { ...body, kind: 'cave' })).status).to.equal(422)
    expect((await lead.send(fresh, 'place-opened', { ...body, name: ' ' })).status).to.equal(422)
    expect((await lead.send(fresh, 'place-opened', body)).status).to.equal(200)
    expect((await lead.send(fresh, 'place-opened', body)).status).to.equal(409)
    const same = await lead.send({ type: 'place', id: uuidv7() }, 'place-opened', body)
    expect(same.status).to.equal(422)
    expect(messages(same)).to.match(/already: give the new one another name/)
    const received = { lotId: uuidv7(), itemCode: item, lot: 'A1', expiresOn: null, count: 3 }
    expect((await bram.send(fresh, 'stock-received', received)).status).to.equal(200)
  })

  describe('CSV', () => {
    for (const [name, text] of [
      ['commas', `${header}\n${item},A1,2027-03-31,7\n`],
      ['semicolons', `${header}\n${item},A1,2027-03-31,7\n`.replaceAll(',', ';')],
      ['tabs', `${header}\n${item},A1,2027-03-31,7\n`.replaceAll(',', '\t')],
      ['CRLF and a byte-order mark', `\uFEFF${header}\r\n${item},A1,2027-03-31,7\r\n`],
      ['quotes and empty lines', `"item_code","lot","expires_on","count"\n\n"${item}","A1","2027-03-31","7"\n\n`],
      ['capitals in the columns', `${header.toUpperCase()}\n${item},A1,2027-03-31,7`],
    ] as const) {
      it(`is read with ${name}`, async () => {
        expect((await load(text)).body).to.deep.equal({ rows: 1 })
        expect((await lineOf(item)).lots[0]).to.include({ lot: 'A1', expiresOn: '2027-03-31', count: 7 })
      })
    }

    for (const [name, text, fault] of [
      ['wrong columns', 'code,number\nx,1', /columns must be item_code, lot, expires_on, count/],
      ['no rows', `${header}\n`, /no row below the columns/],
      ['nothing', '', /columns must be/],
      ['an unknown item', `${header}\nno-such-item,A1,,1`, /Line 2: item_code .*no-such-item.* not in the catalogue/],
      ['half a number', `${header}\n${item},A1,,1.5`, /Line 2: count .*1.5.* whole number/],
      ['a negative number', `${header}\n${item},A1,,-1`, /Line 2: count/],
      ['no such day', `${header}\n${item},A1,2027-02-30,1`, /Line 2: expires_on/],
      ['a missing lot', `${header}\n${item},,,1`, /Line 2: lot must have/],
      ['too many cells', `${header}\n${item},A1,,1,more`, /Line 2: 5 cells instead of 4/],
      ['the same lot twice', `${header}\n${item},A1,,1\n${item},A1,,2`, /Line 3: The same item, lot and expiry stand in line 2/],
      ['an open quote', `${header}\n"${item},A1,,1`, /not CSV/],
    ] as const) {
      it(`with ${name} is refused by line, and nothing of it is kept`, async () => {
        await load(`${header}\n${item},A1,,4`)
        const answer = await load(text.replace('A1,,1\n', 'A1,,1\n'))
        expect(answer.status).to.equal(422)
        expect(messages(answer)).to.match(fault)
        expect((await lineOf(item)).lots.map((lot) => lot.count)).to.deep.equal([4])
      })
    }

    it('takes none of many rows when one of them is bad', async () => {
      const rows = Array.from({ length: 200 }, (_, index) => `${item},L${index},,1`)
      rows[150] = `${item},L150,,many`
      const answer = await load([header, ...rows].join('\n'))
      expect(messages(answer)).to.match(/Line 152: count/)
      expect((await lineOf(item)).lots).to.deep.equal([])
    })

    itAtLength('takes 50 000 rows, and refuses one more', async function () {
      this.timeout(120_000)
      const rows = Array.from({ length: 50_000 }, (_, index) => `${item},L${index},2028-01-01,1`)
      expect((await load([header, ...rows].join('\n'))).body).to.deep.equal({ rows: 50_000 })
      const more = await load([header, ...rows, `${item},last,,1`].join('\n'))
      expect(more.status).to.equal(422)
      expect(messages(more)).to.match(/more than 50000 rows: split the file/)
    })

    it('goes out as it came in', async () => {
      await load(`${header}\n${item},A1,2027-03-31,7\n${item},"B,2",,3\n`)
      const out = String((await bram.get(`/api/store/${placeId}/stock.csv`)).body['text'])
      expect(out.split('\r\n')).to.have.members([header, `${item},A1,2027-03-31,7`, `${item},"B,2",,3`, ''])
      expect((await load(out)).body).to.deep.equal({ rows: 2 })
    })

    it('is for leads, and only as text', async () => {
      expect((await load(`${header}\n${item},A1,,1`, bram)).status).to.equal(403)
      expect((await lead.post(`/api/store/${placeId}/stock.csv`, { rows: [] })).status).to.be.within(400, 422)
    })
  })

  it('counts a lot and keeps the movement with who and when', async () => {
    await load(`${header}\n${item},A1,,7`)
    const [lot] = (await lineOf(item)).lots
    expect((await bram.send(place(), 'stock-counted', { lotId: lot?.lotId, count: 5 })).status).to.equal(200)
    expect((await lineOf(item)).lots[0]?.count).to.equal(5)
    const [last] = (await bram.get(`/api/store/${placeId}/movements`)).body['movements'] as StockMovement[]
    expect(last).to.include({ itemCode: item, delta: -2, kind: 'counted', by: 'bram' })
    expect((await bram.send(place(), 'stock-counted', { lotId: uuidv7(), count: 5 })).status).to.equal(404)
    expect((await bram.send(place(), 'stock-counted', { lotId: lot?.lotId, count: -1 })).status).to.equal(422)
  })

  it('takes what expires first, for a case, and never what has expired', async () => {
    await load(`${header}\n${item},late,2028-01-01,3\n${item},soon,2026-02-01,2\n${item},past,2026-01-01,9`)
    expect((await bram.send(place(), 'stock-taken', { itemCode: item, count: 3, caseId })).status).to.equal(200)
    const left = Object.fromEntries((await lineOf(item)).lots.map((lot) => [lot.lot, lot.count]))
    expect(left).to.deep.equal({ late: 2, soon: 0, past: 9 })
    const refused = await bram.send(place(), 'stock-taken', { itemCode: item, count: 3, caseId })
    expect(refused.status).to.equal(409)
    expect(refused.body['detail']).to.match(/Only 2 of plaster-slab/)
    expect(availableOf(await lineOf(item), '2026-01-10')).to.equal(2)
  })

  it('receives, reserves, releases; what is reserved is not there for others, but for its own case', async () => {
    const body = { lotId: uuidv7(), itemCode: item, lot: 'A9', expiresOn: '2027-01-01', count: 1 }
    expect((await bram.send(place(), 'stock-received', body)).status).to.equal(200)
    expect((await bram.send(place(), 'stock-reserved', { itemCode: item, count: 1, caseId })).status).to.equal(200)
    const line = await lineOf(item)
    expect(line.reserved).to.equal(1)
    expect(planStock([line], '2026-01-10')[0]).to.include({ item: 'plaster-slab', widthCm: 15, count: 0 })
    const other = (await openCase(bram)).caseStream.id
    expect((await bram.send(place(), 'stock-reserved', { itemCode: item, count: 1, caseId: other })).status).to.equal(409)
    await bram.send(place(), 'stock-released', { caseId })
    expect((await bram.send(place(), 'stock-reserved', { itemCode: item, count: 1, caseId: other })).status).to.equal(200)
    expect((await bram.send(place(), 'stock-taken', { itemCode: item, count: 1, caseId: other })).status).to.equal(200)
    expect((await lineOf(item)).reserved).to.equal(0)
  })

  it('lets go of what was set aside when the technique changes or the device comes off', async () => {
    await load(`${header}\n${item},A1,,5`)
    const opened = await openCase(bram)
    const id = opened.caseStream.id
    const reserve = async (): Promise<number> =>
      (await bram.send(place(), 'stock-reserved', { itemCode: item, count: 2, caseId: id })).status
    expect(await reserve()).to.equal(200)
    await bram.send(opened.caseStream, 'plan-dropped', {})
    expect((await lineOf(item)).reserved, 'nothing was accepted, so nothing is dropped').to.equal(2)
    expect((await bram.send(opened.caseStream, 'removed', { reason: 'healed' })).status).to.equal(200)
    expect((await lineOf(item)).reserved).to.equal(0)
    const [last] = (await bram.get(`/api/store/${placeId}/movements`)).body['movements'] as StockMovement[]
    expect(last).to.include({ kind: 'released', itemCode: item, caseId: id })
  })

  it('gives the last one to one of twenty who ask at once', async () => {
    await load(`${header}\n${item},A1,,1`)
    const cases = await Promise.all(Array.from({ length: 20 }, async () => (await openCase(bram)).caseStream.id))
    const answers = await Promise.all(cases.map((id) => bram.send(place(), 'stock-reserved', { itemCode: item, count: 1, caseId: id })))
    expect(answers.map((answer) => answer.status).sort()).to.deep.equal([200, ...Array.from({ length: 19 }, () => 409)])
    expect((await lineOf(item)).reserved).to.equal(1)
  })

  it('gives the last one to one of ten who take it at once', async () => {
    await load(`${header}\n${item},A1,,1`)
    const answers = await Promise.all(Array.from({ length: 10 }, () => bram.send(place(), 'stock-taken', { itemCode: item, count: 1 })))
    expect(answers.filter((answer) => answer.status === 200)).to.have.length(1)
    expect((await lineOf(item)).lots[0]?.count).to.equal(0)
  })

  it('refuses an unknown item, place and count', async () => {
    expect((await bram.send(place(), 'stock-taken', { itemCode: 'no-such-item', count: 1 })).status).to.equal(422)
    expect((await bram.send({ type: 'place', id: uuidv7() }, 'stock-taken', { itemCode: item, count: 1 })).status).to.equal(404)
    expect((await bram.send(place(), 'stock-taken', { itemCode: item, count: 0 })).status).to.equal(422)
    expect((await bram.send(place(), 'stock-reserved', { itemCode: item, count: 1 })).status).to.equal(422)
  })
})
