import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { HistoryAnswer } from '#contract/api/history'
import type { CaseRecord } from '#contract/records/case'
import type { BoardRow } from '#contract/api/board'
import { bothLegs } from '../../../src/server/demo/findings'
import { goodBodies } from '../../harness/cases/good-events'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const home = (goodBodies.ended as { home: object }).home

describe('how a case ends, and how it is found again', () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    opened = await openCase(ada)
  })

  const recordOf = async (): Promise<CaseRecord> =>
    ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { record: CaseRecord }).record
  const boardRow = async (): Promise<BoardRow | undefined> =>
    ((await ada.get('/api/board')).body as unknown as { rows: BoardRow[] }).rows.find((row) => row.caseId === opened.caseStream.id)
  const versionOf = async (): Promise<number> =>
    ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { version: number }).version
  const end = async (body: object, by = ada): Promise<Answer> => by.send(opened.caseStream, 'ended', body, await versionOf())
  const reopen = async (reason: string): Promise<Answer> => ada.send(opened.caseStream, 'reopened', { reason }, await versionOf())
  const find = async (q: string, after = ''): Promise<HistoryAnswer> =>
    (await ada.get(`/api/history?q=${encodeURIComponent(q)}${after ? `&after=${encodeURIComponent(after)}` : ''}`))
      .body as unknown as HistoryAnswer
  const idsOf = async (q: string): Promise<readonly string[]> => (await find(q)).rows.map((row) => row.caseId)
  const name = async (patient: string, number = ''): Promise<void> => {
    const version = ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { episodeVersion: number }).episodeVersion
    const { status } = await ada.send(opened.episodeStream, 'patient', { ...goodBodies.patient, name: patient, number }, version)
    expect(status).to.equal(200)
  }

  it('whoever goes home stays on the Board until the call of the next day was made', async () => {
    await ada.send(opened.caseStream, 'applied', {})
    expect((await end({ how: 'home', note: '', home })).status).to.equal(200)
    expect(await boardRow()).to.include({ nextWhat: 'Call at home' })
    expect((await boardRow())?.ended?.how).to.equal('home')
    const done = { taskId: 'home-check', text: 'Call at home', outcome: 'done', reason: '', answers: { note: 'slept well' } }
    expect((await ada.send(opened.caseStream, 'task-done', done)).status).to.equal(200)
    expect(await boardRow()).to.equal(undefined)
    expect(await idsOf('home')).to.include(opened.caseStream.id)
  })

  for (const how of ['ward', 'theatre', 'other-hospital', 'died']) {
    it(`${how}: leaves the Board at once, whatever stands, and is found`, async () => {
      await ada.send(opened.caseStream, 'applied', {})
      await ada.send(opened.episodeStream, 'round', {
        cases: [opened.caseStream.id],
        isBaseline: false,
        outcome: 'done',
        reason: '',
        findings: bothLegs('left', { pulse: 'absent' }),
      })
      expect((await boardRow())?.level).to.equal('urgent')
      expect((await end({ how, note: how === 'died' ? 'arrest, not revived' : '' })).status).to.equal(200)
      expect(await boardRow()).to.equal(undefined)
      expect(await idsOf('pulse')).to.include(opened.caseStream.id)
    })
  }

  it('entered by mistake: off the Board with a reason, kept, and back again when that was the mistake', async () => {
    expect((await end({ how: 'voided', note: 'opened twice' })).status).to.equal(200)
    expect(await boardRow()).to.equal(undefined)
    expect(await idsOf('mistake')).to.include(opened.caseStream.id)
    expect((await reopen('it was the other one')).status).to.equal(200)
    expect(await boardRow()).not.to.equal(undefined)
    const { ended, endings } = await recordOf()
    expect(ended).to.equal(undefined)
    expect(endings?.[0]).to.deep.include({ how: 'voided', note: 'opened twice' })
    expect(endings?.[0]?.undone).to.include({ reason: 'it was the other one', by: 'ada' })
  })

  for (const [what, body, path] of [
    ['a way that there is not', { how: 'lost', note: '' }, 'body/how'],
    ['a mistake without a reason', { how: 'voided', note: '' }, 'body/note'],
    ['a death without a word', { how: 'died', note: ' ' }, 'body/note'],
    ['home without what was asked', { how: 'home', note: '' }, 'body/home'],
    ['home without who helps', { how: 'home', note: '', home: { ...home, helper: ' ' } }, 'body/home/helper'],
    ['home with nothing on', { how: 'home', note: '', home }, 'body/how'],
    ['a ward with what is asked for home', { how: 'ward', note: '', home }, 'body/home'],
  ] as const) {
    it(`refuses ${what}, names the field, and the case goes on`, async () => {
      const answer = await end(body)
      expect(answer.status).to.equal(422)
      expect((answer.body['errors'] as { path: string }[]).map((one) => one.path)).to.include(path)
      expect((await recordOf()).ended).to.equal(undefined)
    })
  }

  it('is not voided once something was put on', async () => {
    await ada.send(opened.caseStream, 'applied', {})
    const answer = await end({ how: 'voided', note: 'opened twice' })
    expect(answer.status).to.equal(422)
    expect(JSON.stringify(answer.body)).to.match(/end it as it ended/)
  })

  it('takes notes and what was timed before, and nothing else until it is reopened', async () => {
    await end({ how: 'theatre', note: '' })
    const later = { at: new Date(harness.now + 60_000).toISOString() }
    harness.now += 120_000
    expect((await ada.sendAs(opened.caseStream, 'note', { text: 'told the family' }, later)).status).to.equal(200)
    const refused = await ada.sendAs(opened.caseStream, 'options', { options: {} }, { base: await versionOf(), ...later })
    expect([refused.status, refused.body['type']]).to.deep.equal([409, 'urn:zesty-wren:error:ended'])
    expect((await end({ how: 'ward', note: '' })).status).to.equal(409)
    expect((await reopen('back with it on')).status).to.equal(200)
    expect((await ada.send(opened.caseStream, 'options', { options: {} }, await versionOf())).status).to.equal(200)
    expect((await reopen('once more')).status).to.equal(422)
  })

  it('is a clinician’s: a trainee neither ends nor reopens', async () => {
    const tom = await harness.signIn('tom', ['trainee'])
    expect((await end({ how: 'theatre', note: '' }, tom)).status).to.equal(403)
  })

  describe('found again', () => {
    it('by the beginning of each word: name, number, date of birth, place, technique, part, who was there', async () => {
      const number = `ZW-${Math.floor(harness.now / 1000)}`
      await name('Ottilie Marchbanks', number)
      await end({ how: 'theatre', note: '' })
      for (const words of ['ottilie', 'OTTIL march', number, number.toLowerCase(), 'marchbanks slab', 'to theatre ottilie'])
        expect(await idsOf(words), words).to.include(opened.caseStream.id)
      for (const words of ['ottilie brandt', 'arch', 'tilie']) expect(await idsOf(words), words).not.to.include(opened.caseStream.id)
    })

    it('follows a name that is put right later', async () => {
      await name('Unknown man')
      await end({ how: 'ward', note: '' })
      await name('Wendelin Ashgrove')
      expect(await idsOf('wendelin')).to.include(opened.caseStream.id)
      expect(await idsOf('unknown man')).not.to.include(opened.caseStream.id)
    })

    it('page by page, the newest first, none twice and none left out', async () => {
      const tag = `Zz${uuidv7().slice(-6)}`
      const made: string[] = []
      for (let count = 0; count < 53; count++) {
        opened = await openCase(ada)
        await name(`${tag} Pager`)
        made.push(opened.caseStream.id)
      }
      const first = await find(tag)
      expect(first.rows).to.have.length(50)
      const second = await find(tag, first.next!)
      expect(second.next).to.equal(null)
      const ids = [...first.rows, ...second.rows].map((row) => row.caseId)
      expect([...ids].sort()).to.deep.equal([...made].sort())
      expect(first.rows.every((row) => row.search === '' && row.live === null)).to.equal(true)
    })

    for (const q of [
      '',
      '   ',
      '-',
      '%',
      '_',
      "'; drop table cases",
      '+-*"()~<>@',
      '"open',
      'a',
      'x'.repeat(120),
      '💥 \u0000',
      'the',
      '  -- /',
    ]) {
      it(`answers ${JSON.stringify(q.slice(0, 24))} without complaint`, async () => {
        const answer = await ada.get(`/api/history?q=${encodeURIComponent(q)}`)
        expect(answer.status).to.equal(200)
        expect((answer.body as unknown as HistoryAnswer).rows).to.be.an('array')
      })
    }

    for (const query of [`q=${'x'.repeat(121)}`, 'after=yesterday', 'after=2026-01-10T10:00:00Z~1', 'page=3']) {
      it(`refuses ${query.slice(0, 30)} in words`, async () => {
        const answer = await ada.get(`/api/history?${query}`)
        expect(answer.status).to.equal(422)
        expect(JSON.stringify(answer.body)).to.match(/errors/)
      })
    }

    it('shows nothing to whoever may not read', async () => {
      const rae = await harness.signIn('rae', ['admin'])
      expect((await rae.get('/api/history?q=')).status).to.equal(403)
    })
  })
})
