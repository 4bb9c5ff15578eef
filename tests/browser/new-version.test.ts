import { expect } from 'chai'
import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startBrowser, type TestBrowser } from '../harness/browser/browser'
import { root, startDurableServers, type DurableServers } from '../harness/durable-servers'
import { quietRound, seedCase, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let all: DurableServers
let web: string
let browser: TestBrowser
let seeded: SeededCase

describe('a new version, in the browser', () => {
  before(async () => {
    // A copy of its own: it is changed here as an upgrade would change it.
    web = mkdtempSync(join(tmpdir(), 'wren-web-'))
    cpSync(join(root, 'dist/web'), web, { recursive: true })
    all = await startDurableServers(1, { WREN_WEB: web })
    browser = await startBrowser(all.servers[0]!.address, { keepsApplication: true })
    await browser.setViewport(1280, 800)
    await browser.open('/')
    await browser.type('textbox', 'Name', 'lead')
    await browser.type('textbox', 'Password', all.lead.password)
    await browser.click('button', 'Sign in')
    await browser.find('heading', 'Board')
    await browser.driver.wait(
      () => browser.evaluate<boolean>('return navigator.serviceWorker.controller !== null'),
      patienceMs,
      'no worker came',
    )
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
    await startRun(browser, seeded)
  })
  after(async () => {
    await all.stop()
    rmSync(web, { recursive: true, force: true })
  })

  it('waits while a run is open, and changes nothing under anybody’s hands', async () => {
    await browser.find('region', /^Step/)
    await browser.evaluate('window.isThePage = true')
    appendFileSync(join(web, 'service-worker.js'), '\n// another version\n')
    const state: string = await browser.evaluateAsync(
      `const [done] = arguments
       navigator.serviceWorker.getRegistration().then(async (one) => {
         await one.update()
         const look = () => (one.waiting ? done('waits') : setTimeout(look, 50))
         look()
       })`,
    )
    expect(state).to.equal('waits')
    await browser.find('region', /^Step/)
    expect(await browser.query('button', 'Go on with it')).to.equal(null)
    expect(await browser.evaluate('return window.isThePage')).to.equal(true)
  }).timeout(60_000)

  it('says that it is ready when nothing is running, and is taken by a press', async () => {
    await browser.click('button', 'Menu')
    await browser.click('menuitem', 'Guide')
    await browser.find('heading', 'Guide')
    await browser.click('button', 'Go on with it')
    await browser.driver.wait(
      () => browser.evaluate<boolean>('return window.isThePage === undefined && document.readyState === "complete"'),
      patienceMs,
      'the page was never loaded anew',
    )
    await browser.find('heading', 'Guide')
    expect(await browser.query('button', 'Go on with it')).to.equal(null)
    const waits = await browser.evaluateAsync(
      `const [done] = arguments; navigator.serviceWorker.getRegistration().then((one) => done(one.waiting !== null))`,
    )
    expect(waits).to.equal(false)
  }).timeout(60_000)
})
