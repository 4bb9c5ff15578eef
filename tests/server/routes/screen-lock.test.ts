import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CaseAnswer } from '#contract/api/answers'
import { routeRights, ruleOf, type RouteId } from '#contract/api/route-rights'
import type { SessionAnswer } from '#contract/api/session'
import { newestVersion } from '#contract/events/upcast'
import { sealFor } from '../../harness/seal'
import { openCase, password, request, startHarness, type Answer, type Harness } from '../../harness/server-harness'

/** A page with its cookie; what it has not yet been told, such as the CSRF token, it does not send. */
interface Page {
  ask(method: 'GET' | 'POST' | 'DELETE', path: string, body?: object): Promise<Answer>
  readonly session: () => Promise<SessionAnswer>
}

describe('the lock of the screen', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
    await harness.signIn('ada', ['clinician'])
    await harness.signIn('ben', ['clinician'])
  })
  after(() => harness.stop())

  const page = (cookie: string, csrf: string | null): Page => {
    const ask: Page['ask'] = (method, path, body) =>
      request(harness.address, path, {
        method,
        headers: { cookie, 'content-type': 'application/json', 'x-wren-device': 'tablet 1', ...(csrf ? { 'x-csrf-token': csrf } : {}) },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
    return { ask, session: async () => (await ask('GET', '/api/session')).body as unknown as SessionAnswer }
  }
  /** Signs in and returns the page, and what loading it anew would be. */
  const enter = async (name = 'ada'): Promise<{ page: Page; reloaded: Page; answer: SessionAnswer }> => {
    const answer = await request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-wren-device': 'tablet 1' },
      body: JSON.stringify({ name, password }),
    })
    expect(answer.status, JSON.stringify(answer.body)).to.equal(200)
    const cookie = (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const session = answer.body as unknown as SessionAnswer
    return { page: page(cookie, session.csrf), reloaded: page(cookie, null), answer: session }
  }

  it('survives a reload: the page that comes anew learns a name, and nothing of a patient', async () => {
    const { page, reloaded } = await enter()
    expect((await page.ask('POST', '/api/session/lock', {})).status).to.equal(200)
    const session = await reloaded.session()
    expect(session).to.include({ csrf: null, isLocked: true, keys: null })
    expect(session.person?.name).to.equal('ada')
    for (const path of ['/api/board', '/api/history', '/api/people', '/api/store']) {
      const answer = await reloaded.ask('GET', path)
      expect(answer.status, path).to.equal(423)
      expect(answer.body['detail']).to.equal('The screen is locked: open it with the PIN or the password.')
    }
  })

  it('the page behind it goes on with what shows nothing of a patient, and with nothing else', async () => {
    const { page, answer } = await enter()
    const client = await harness.signIn('opener', ['clinician'])
    const { caseStream } = await openCase(client)
    await page.ask('POST', '/api/session/lock', {})
    const urgent = await page.ask('GET', '/api/urgent')
    expect([urgent.status, Object.keys(urgent.body)]).to.deep.equal([200, ['urgent', 'now']])
    expect(await page.session()).to.include({ isLocked: false })
    const isThrough = (id: RouteId): boolean => ruleOf(id).who === 'anybody' || ruleOf(id).throughLock === true
    for (const id of (Object.keys(routeRights) as RouteId[]).filter((one) => !isThrough(one))) {
      const [method, path] = id.split(' ') as ['GET' | 'POST' | 'DELETE', string]
      const refused = await page.ask(method, path.replace(/:(id|placeId|paper)/g, caseStream.id), method === 'GET' ? undefined : {})
      expect(refused.status, id).to.equal(423)
    }
    const note = {
      id: uuidv7(),
      stream: caseStream,
      kind: 'note',
      v: newestVersion('note'),
      body: { text: 'said through the lock' },
      at: new Date(harness.now).toISOString(),
      offsetMs: 0,
    }
    const keys = answer.keys!
    const sealed = { sealed: sealFor(keys, { ticket: keys.ticket, event: note }) }
    expect((await page.ask('POST', '/api/events', note)).status).to.equal(423)
    const taken = await page.ask('POST', '/api/sealed-events', sealed)
    expect([taken.status, Object.keys(taken.body)]).to.deep.equal([200, ['id']])
    // Once the lock is open the same entry goes in the open, and is kept once.
    const { page: opened } = await enter()
    expect((await opened.ask('POST', '/api/events', { ...note, queued: true })).status).to.equal(200)
    const { record } = (await opened.ask('GET', `/api/cases/${caseStream.id}`)).body as unknown as CaseAnswer
    expect(record.notes.map(({ text, by }) => [text, by])).to.deep.equal([['said through the lock', 'ada']])
  })

  it('opens by the PIN of this session, and by no other', async () => {
    const { page, reloaded, answer } = await enter()
    expect((await page.ask('POST', '/api/session/pin', { pin: '2468' })).status).to.equal(200)
    await page.ask('POST', '/api/session/lock', {})
    expect((await reloaded.ask('POST', '/api/session/unlock', { pin: '1357' })).status).to.equal(401)
    expect((await reloaded.ask('GET', '/api/board')).status).to.equal(423)
    const opened = await reloaded.ask('POST', '/api/session/unlock', { pin: '2468' })
    expect(opened.status).to.equal(200)
    expect(opened.body).to.deep.include({ isLocked: false, csrf: answer.csrf })
    expect((opened.body['keys'] as SessionAnswer['keys'])?.store).to.equal(answer.keys?.store)
    expect((await reloaded.ask('GET', '/api/board')).status).to.equal(200)
  })

  it('takes five tries, also when they come at once; then it waits 1, 5, 15 and 60 min, and after fifteen only the password opens', async () => {
    const { page, reloaded } = await enter()
    await page.ask('POST', '/api/session/pin', { pin: '2468' })
    await page.ask('POST', '/api/session/lock', {})
    const tries = await Promise.all(Array.from({ length: 9 }, () => reloaded.ask('POST', '/api/session/unlock', { pin: '0000' })))
    expect(tries.filter((one) => String(one.body['type']).endsWith('wrong-pin'))).to.have.length(5)
    const unlock = (pin: string) => reloaded.ask('POST', '/api/session/unlock', { pin })
    for (const [minutes, wrongAfter] of [
      [1, 3],
      [5, 3],
      [15, 3],
      [60, 1],
    ] as const) {
      const waiting = await unlock('2468')
      expect([waiting.status, String(waiting.body['detail'])]).to.satisfy(
        ([status, words]: [number, string]) => status === 429 && words.includes(`wait ${minutes} min`),
      )
      harness.now += minutes * 60_000 + 1
      for (let wrong = 0; wrong < wrongAfter; wrong++) expect((await unlock('0000')).status).to.equal(401)
    }
    const after = await unlock('2468')
    expect(after.status).to.equal(401)
    expect(after.body['detail']).to.equal('The PIN does not open this any more: use your password.')
    expect((await reloaded.ask('GET', '/api/board')).status).to.equal(423)
  })

  it('a tab that was closed locks nothing, and the page that comes after ten minutes finds it locked', async () => {
    const { page, reloaded } = await enter()
    harness.now += 9 * 60_000
    expect(await reloaded.session()).to.include({ isLocked: false })
    harness.now += 10 * 60_000 + 1
    expect((await page.ask('GET', '/api/board')).status, 'the page that stayed goes by its own lock').to.equal(200)
    harness.now += 12 * 60_000
    expect(await reloaded.session()).to.include({ isLocked: true, csrf: null, keys: null })
    expect((await reloaded.ask('GET', '/api/board')).status).to.equal(423)
  })

  it('signs out through the lock, and ends the session before when somebody signs in over it', async () => {
    const { page, reloaded } = await enter()
    await page.ask('POST', '/api/session/lock', {})
    expect((await reloaded.ask('DELETE', '/api/session')).status).to.equal(200)
    expect((await page.ask('GET', '/api/board')).status).to.equal(401)
    const second = await enter()
    await second.reloaded.ask('POST', '/api/session', { name: 'ben', password })
    expect((await second.page.ask('GET', '/api/board')).status).to.equal(401)
  })

  for (const pin of ['123', '123456789', 'abcd', '12 4', '', 1234, null])
    it(`refuses the PIN ${JSON.stringify(pin)} in words`, async () => {
      const { page } = await enter()
      const answer = await page.ask('POST', '/api/session/pin', { pin })
      expect(answer.status).to.equal(422)
      expect(String(answer.body['detail'])).to.match(/pin/i)
    })

  it('gives each person on each device a key of their own, the same whenever they come', async () => {
    const [one, again, other] = [await enter(), await enter(), await enter('ben')]
    expect(one.answer.keys?.store).to.equal(again.answer.keys?.store)
    expect(one.answer.keys?.store).not.to.equal(other.answer.keys?.store)
    const elsewhere = await harness.signIn('cleo', ['clinician'])
    const keys = (await elsewhere.get('/api/session')).body['keys'] as SessionAnswer['keys']
    expect(Buffer.from(keys?.store ?? '', 'base64')).to.have.length(32)
  })
})
