import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { PagerReceipt, WardAnswer } from '#contract/api/pager'
import { paths } from '#contract/api/paths'
import type { CaseRecord } from '#contract/records/case'
import { wardId } from '#contract/records/ward'
import type { BoardAnswer } from '#contract/api/board'
import { bothLegs } from '../../../src/server/demo/findings'
import { createPagerSender } from '../../../src/server/jobs/pager-sender'
import { defineModels } from '../../../src/server/db/models'
import { createEventRepository } from '../../../src/server/repositories/events'
import { createJudgedRules } from '../../../src/server/repositories/judged-rules'
import { createPageRepository } from '../../../src/server/repositories/pages'
import { createStreamRepository } from '../../../src/server/repositories/streams'
import { signReceipt } from '../../../src/server/services/keep-receipt'
import { openCase, request, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'
import { pino } from 'pino'

const secret = 'a secret of the tests'
const ward = { type: 'ward', id: wardId } as const

interface Sent {
  readonly id: string
  readonly to: string
  readonly text: string
}

/** A pager of the tests: keeps what it was sent, answers as it is told. */
function startPager(): Promise<{ readonly server: Server; readonly address: string; readonly sent: Sent[]; status: number }> {
  const pager = { sent: [] as Sent[], status: 202 }
  const server = createServer((asked, response) => {
    if (asked.url === '/health') return void response.writeHead(pager.status < 500 ? 200 : 503).end()
    let text = ''
    asked.on('data', (chunk: Buffer) => (text += chunk.toString()))
    asked.on('end', () => {
      if (pager.status < 300) pager.sent.push(JSON.parse(text) as Sent)
      response.writeHead(pager.status).end()
    })
  })
  return new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () =>
      resolve(Object.assign(pager, { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}` })),
    ),
  )
}

describe('paging about what is urgent', () => {
  let pager: Awaited<ReturnType<typeof startPager>>
  let harness: Harness
  let ada: Client
  let maren: Client
  let opened: OpenedCase
  before(async () => {
    pager = await startPager()
    harness = await startHarness({ pager: { address: pager.address, secret } })
    ada = await harness.signIn('ada', ['clinician'])
    maren = await harness.signIn('maren', ['lead'])
  })
  after(async () => {
    await harness.stop()
    await new Promise((resolve) => pager.server.close(resolve))
  })
  beforeEach(async () => {
    harness.now = Date.parse('2026-01-10T08:00:00Z')
    opened = await openCase(ada)
    await ada.send(opened.caseStream, 'applied', {})
    pager.sent.length = 0
    pager.status = 202
  })
  // No case of an earlier test asks for anybody.
  afterEach(async () => {
    await ada.send(opened.caseStream, 'call', { to: 'Sorrel Vane', isReached: true, how: 'bedside', said: '' })
    await harness.pager.tick()
  })

  const alarm = (): Promise<Answer> =>
    ada.send(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: false,
      outcome: 'done',
      reason: '',
      findings: bothLegs('left', { stretchPain: true }),
    })
  const record = async (): Promise<CaseRecord> => (await ada.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as CaseRecord
  const board = async (): Promise<BoardAnswer> => (await ada.get('/api/board')).body as unknown as BoardAnswer
  const tellPager = (receipt: PagerReceipt, signature = signReceipt(receipt, secret)): Promise<Answer> =>
    request(harness.address, paths.pagerReceipts, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-signature': signature },
      body: JSON.stringify(receipt),
    })
  const later = (minutes: number): void => {
    harness.now += minutes * 60_000
  }

  it('pages the chain until a person answers, and the Board says who did', async () => {
    await alarm()
    await harness.pager.tick()
    expect(pager.sent.map((sent) => sent.to)).to.deep.equal(['Nurse in charge'])
    await harness.pager.tick()
    expect(pager.sent, 'once').to.have.length(1)
    later(5)
    await harness.pager.tick()
    expect(pager.sent.map((sent) => sent.to)).to.deep.equal(['Nurse in charge', 'Registrar'])
    const pageId = pager.sent[1]!.id
    for (const what of ['delivered', 'read', 'answered'] as const)
      expect((await tellPager({ pageId, what, who: 'Sorrel Vane', at: '2026-01-10T08:06:00Z' })).status).to.equal(200)
    // The pager says everything twice.
    expect((await tellPager({ pageId, what: 'answered', who: 'Sorrel Vane', at: '2026-01-10T08:06:00Z' })).status).to.equal(200)
    expect((await record()).pages?.[1]?.receipts.map((receipt) => receipt.what)).to.deep.equal(['delivered', 'read', 'answered'])
    const row = (await board()).rows.find((one) => one.caseId === opened.caseStream.id)
    expect(row?.answer?.by).to.equal('Sorrel Vane')
    later(4)
    await ada.send(opened.caseStream, 'response', { action: 'open-to-skin', outcome: 'done', why: '' })
    later(30)
    await harness.pager.tick()
    expect(pager.sent).to.have.length(2)
  })

  it('pages the next at once where Call is pressed, and whoever answered again while nothing is done', async () => {
    await alarm()
    await harness.pager.tick()
    expect((await ada.send(opened.caseStream, 'page-asked', {})).status).to.equal(200)
    await harness.pager.tick()
    expect(pager.sent.map((sent) => sent.to)).to.deep.equal(['Nurse in charge', 'Registrar'])
    const by = { by: 'Otto Marlowe-Pike', how: 'telephone', answer: 'comes', comesInMin: 10, what: '' }
    const saw = [{ id: 'leg-left/stretchPain', level: 'urgent' }]
    expect((await ada.send(opened.caseStream, 'senior-decision', { ...by, saw })).status).to.equal(200)
    const row = (await board()).rows.find((one) => one.caseId === opened.caseStream.id)
    expect(row?.said).to.include({ by: 'Otto Marlowe-Pike', text: 'comes in 10 min' })
    later(6)
    await harness.pager.tick()
    expect(pager.sent, 'who answered hears of it while nothing is done').to.have.length(3)
  })

  it('calls who is on by the rota that a lead set', async () => {
    const shifts = [{ role: 'Nurse in charge', name: 'Wenna Trewin', from: '07:00', until: '19:00', days: [6] }]
    expect((await ada.send(ward, 'rota-set', { area: '', shifts }, 0)).status).to.equal(403)
    expect((await maren.send(ward, 'rota-set', { area: '', shifts }, 0)).status).to.equal(200)
    expect((await maren.send(ward, 'rota-set', { area: '', shifts: [] }, 0)).status, 'from an older version').to.equal(409)
    const foreign = await maren.send({ type: 'ward', id: uuidv7() }, 'rota-set', { area: '', shifts }, 0)
    expect(foreign.status).to.equal(422)
    await alarm()
    await harness.pager.tick()
    expect(pager.sent.map((sent) => sent.to)).to.deep.equal(['Wenna Trewin, nurse in charge'])
    const answer = (await ada.get('/api/ward')).body as unknown as WardAnswer
    expect(answer.ward.rotas[0]?.shifts).to.deep.equal(shifts)
  })

  it('keeps trying while the pager is away, says so on the Board at once, and pages when it is back', async () => {
    pager.status = 503
    await harness.pager.tick()
    expect((await board()).pager?.isAnswering, 'found out before anything is urgent').to.equal(false)
    await alarm()
    await harness.pager.tick()
    expect((await record()).pages).to.have.length(1)
    pager.status = 202
    later(0.5 / 60)
    await harness.pager.tick()
    expect(pager.sent, 'backs off').to.have.length(0)
    later(1)
    await harness.pager.tick()
    expect(pager.sent).to.have.length(1)
    expect((await board()).pager?.isAnswering).to.equal(true)
  })

  it('goes to the next at once when the pager refuses', async () => {
    pager.status = 409
    await alarm()
    await harness.pager.tick()
    expect((await record()).pages?.[0]?.receipts.map((receipt) => receipt.what)).to.deep.equal(['refused'])
    pager.status = 202
    await harness.pager.tick()
    expect(pager.sent.map((sent) => sent.to)).to.deep.equal(['Registrar'])
  })

  it('drops what nobody needs any more', async () => {
    pager.status = 503
    await alarm()
    await harness.pager.tick()
    later(2)
    const quiet = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left') }
    await ada.sendAs(opened.episodeStream, 'round', quiet, { at: '2026-01-10T08:02:00Z' })
    pager.status = 202
    await harness.pager.tick()
    expect(pager.sent).to.deep.equal([])
  })

  it('pages nobody about looks that other rules have judged, until something is heard of the case; a call that they began goes on', async () => {
    await alarm()
    const byOthers = (until: number): Promise<unknown> =>
      harness.db.query('REPLACE INTO judged_rules (core, judged_until) VALUES (:core, :until)', {
        replacements: { core: '0.0.9', until: new Date(until) },
      })
    try {
      await byOthers(harness.now)
      later(1)
      await harness.pager.tick()
      expect(pager.sent, 'judged by the rules of before').to.have.length(0)
      // A look that an outbox brings only now says when it was looked; what counts is that nobody has judged it.
      await ada.send(opened.caseStream, 'options', { options: {} })
      await harness.pager.tick()
      expect(pager.sent).to.have.length(1)
      await byOthers(harness.now)
      later(5)
      await harness.pager.tick()
      expect(pager.sent, 'its call goes on').to.have.length(2)
    } finally {
      await harness.db.query('DELETE FROM judged_rules WHERE core = :core', { replacements: { core: '0.0.9' } })
    }
  })

  it('lets one of two servers send a page', async () => {
    const models = defineModels(harness.db)
    const other = createPagerSender({
      db: harness.db,
      streams: createStreamRepository(harness.db, models),
      events: createEventRepository(harness.db, models),
      pages: createPageRepository(harness.db),
      rules: createJudgedRules(harness.db),
      clock: () => harness.now,
      log: pino({ level: 'silent' }),
      line: { address: pager.address, secret },
    })
    await alarm()
    await Promise.all([harness.pager.tick(), other.tick()])
    expect(pager.sent).to.have.length(1)
  })

  it('refuses receipts that are not signed, of no page, or none at all', async () => {
    await alarm()
    await harness.pager.tick()
    const receipt: PagerReceipt = { pageId: pager.sent[0]!.id, what: 'answered', who: 'somebody', at: '2026-01-10T08:01:00Z' }
    expect((await tellPager(receipt, 'no signature')).status).to.equal(403)
    expect((await tellPager(receipt, signReceipt({ ...receipt, who: 'somebody else' }, secret))).status).to.equal(403)
    expect((await tellPager({ ...receipt, pageId: uuidv7() })).status).to.equal(404)
    expect((await tellPager({ ...receipt, what: 'eaten' as never })).status).to.equal(422)
    expect((await tellPager({ ...receipt, at: 'yesterday' })).status).to.equal(422)
    expect((await record()).pages?.[0]?.receipts).to.deep.equal([])
  })

  it('takes no page and no receipt from a person', async () => {
    const body = { pageId: uuidv7(), step: 0, role: 'R', name: '', text: '', findings: [] }
    expect((await maren.send(opened.caseStream, 'paged', body)).status).to.equal(403)
    expect((await maren.send(opened.caseStream, 'page-receipt', { pageId: uuidv7(), what: 'answered', who: 'me' })).status).to.equal(403)
  })
})
