import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { newestVersion } from '#contract/events/upcast'
import { eventKinds } from '#contract/events/index'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { postEvent } from '../harness/seed-case'
import { markup, seedMarkup, withMarkup, type Send } from '../harness/markup'
import { patienceMs } from '../harness/patience'

/** Everywhere that shows what somebody entered. */
const stages = ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch', 'record']
const others = [
  '/',
  '/?view=rows',
  '/?view=wall',
  '/history',
  '/hand-over',
  '/ward',
  '/protocol',
  '/round',
  '/store',
  '/countersign',
  '/settings',
]

describe('markup on every screen', () => {
  let browser: TestBrowser
  let caseId: string
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'maren', server.password)
    const versions = new Map<string, number>()
    const refused: string[] = []
    const send: Send = async (stream, kind, body) => {
      const base = eventKinds[kind].nature === 'replacing' ? { base: versions.get(stream.id) ?? 0 } : {}
      const event = { id: uuidv7(), stream, kind, v: newestVersion(kind), body, at: new Date().toISOString(), offsetMs: 0, ...base }
      const { status, text } = await postEvent(browser, event)
      if (status === 200) versions.set(stream.id, (JSON.parse(text) as { version: number }).version)
      else refused.push(`${kind}: ${status} ${text.slice(0, 200)}`)
      return status === 200
    }
    const seeded = await seedMarkup(send)
    expect(seeded.taken.length, refused.join('\n')).to.be.above(20)
    caseId = seeded.caseId
    // What a lead writes for all.
    const ward = { type: 'ward', id: '01a21089-0000-7000-8000-00000000000a' } as never
    versions.set('01a21089-0000-7000-8000-00000000000a', await wardVersion())
    for (const kind of ['areas-set', 'teams-set'] as const) await send(ward, kind, withMarkup(kind) ?? eventKinds[kind].example)
  })

  const wardVersion = (): Promise<number> =>
    browser.evaluateAsync(`fetch('/api/ward').then((one) => one.json()).then((one) => arguments[0](one.version))`)
  /** Elements that came of text; none may. */
  const made = async (): Promise<number> => (await browser.driver.findElements({ css: '#pwned, i[id]' })).length
  const settle = (what: string): Promise<unknown> =>
    browser.driver.wait(
      async () =>
        (await browser.driver.findElements({ css: 'h1' })).length > 0 &&
        !/Working out|working it out|Opening…|Opening the case…|Reading…|Drawing…/.test(await browser.text()),
      patienceMs,
      `${what} never settled`,
    )

  for (const stage of stages)
    it(`${stage}: shows it as text`, async () => {
      await browser.open(`/case/${caseId}/${stage}`)
      await browser.waitForText(markup)
      await settle(stage)
      for (const one of await browser.driver.findElements({ css: 'main details:not([open]) > summary' }))
        await one.click().catch(() => undefined)
      expect(await made()).to.equal(0)
    }).timeout(30_000)

  for (const path of others)
    it(`${path}: shows it as text`, async () => {
      await browser.open(path)
      await settle(path)
      expect(await made()).to.equal(0)
      if (['/', '/?view=rows', '/history', '/ward'].includes(path)) await browser.waitForText(markup)
    }).timeout(30_000)
})
