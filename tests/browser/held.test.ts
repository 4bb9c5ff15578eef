import { expect } from 'chai'
import type { SessionAnswer } from '#contract/api/session'
import { newestVersion } from '#contract/events/upcast'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { sealFor } from '../harness/seal'
import { quietRound, seedCase, sendApplied, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase

describe('entries that were not taken, in the browser', () => {
  const post = (path: string, body: object, headers: Record<string, string> = {}): Promise<Response> =>
    fetch(`${server.address}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
    })
  const enter = async (name: string): Promise<{ headers: Record<string, string>; session: SessionAnswer }> => {
    const answer = await post('/api/session', { name, password: server.password })
    const session = (await answer.json()) as SessionAnswer
    const cookie = (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    return { headers: { cookie, 'x-csrf-token': session.csrf ?? '' }, session }
  }

  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendApplied(browser, seeded, 50)
    const bram = await enter('bram')
    const { keys, person } = bram.session
    if (!keys || !person) throw new Error('no keys')
    const greta = await enter('greta')
    const ended = await post(`/api/admin/people/${person.id}/actions`, { action: 'end' }, greta.headers)
    expect(ended.status).to.equal(200)
    const carrier = await enter('isolde')
    const look = { cases: [seeded.caseId], isBaseline: false, outcome: 'done', reason: '', findings: quietRound('leg-slab') }
    const worse = { ...look, findings: quietRound('leg-slab', { pulse: 'absent', restPain: 9 }) }
    for (const [type, id, kind, body] of [
      ['episode', seeded.episodeId, 'round', worse],
      ['episode', seeded.episodeId, 'round', look],
      ['case', seeded.caseId, 'note', { text: 'Meant for the next bed' }],
    ] as const) {
      const event = {
        id: crypto.randomUUID(),
        stream: { type, id },
        kind,
        v: newestVersion(kind),
        body,
        at: new Date().toISOString(),
        offsetMs: 0,
      }
      const sealed = sealFor(keys, { ticket: keys.ticket, event })
      expect((await post('/api/sealed-events', { sealed }, carrier.headers)).status).to.equal(200)
    }
  })

  it('a lead is led to them from the Board, takes one and signs it, and puts the other aside with a reason', async () => {
    await browser.driver.manage().deleteAllCookies()
    await signIn(browser, 'maren', server.password)
    await browser.click('link', 'Not taken 2')
    await browser.find('heading', 'Entries not taken')
    await browser.waitForText('sent after their access was ended or reset')
    await browser.click('button', /^Take it: .*[Rr]ound/)
    await browser.waitUntilGone('button', /^Take it: .*[Rr]ound/)
    await browser.click('button', /^Put it aside: .*Meant for the next bed/)
    await browser.click('button', 'Put it aside')
    await browser.waitForText('Why is missing: say why this is not taken.')
    await browser.type('textbox', 'Why', 'He says that it belongs to nobody here')
    await browser.click('button', 'Put it aside')
    await browser.waitForText('Nothing waits for a lead')
    await browser.open('/')
    await browser.find('heading', 'Board')
    expect(await browser.query('link', /^Not taken/)).to.equal(null)
  })

  it('what was taken stands in the case, under its author’s name, not confirmed', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.find('heading', 'Rounds')
    await browser.waitForText('not confirmed: sent when its author’s access had ended')
    await browser.waitForText('A device sent this for Bram Tully (not confirmed). Look at once, and act on what you see.')
  })
})
