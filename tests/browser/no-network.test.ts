import { expect } from 'chai'
import { signInAtForm, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { waitForKeptApplication } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let line: CutLine
let browser: TestBrowser
let seeded: SeededCase

describe('with the network gone, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    line = await startCutLine(server.address)
    browser = await startBrowser(line.address, { keepsApplication: true })
    await browser.setViewport(1280, 800)
    await signInAtForm(browser, 'isolde', server.password, '2468')
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 50)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.find('heading', 'Rounds')
    await browser.open('/')
    await browser.find('list', /^Live cases, worst first/)
    await waitForKeptApplication(browser)
  })

  const openByPin = async (pin = '2468'): Promise<void> => {
    await browser.type('textbox', 'PIN', pin)
    await browser.click('button', 'Open')
  }

  it('starts all the same, with the Board as it was last read and how old it is', async () => {
    await line.cut()
    await browser.driver.navigate().refresh()
    await browser.find('heading', 'Locked')
    expect(await browser.text()).not.to.include('Test leg-slab')
    await openByPin()
    await browser.find('heading', 'Board')
    await browser.waitForText(/No connection: what you see is as old as it says/)
    await browser.waitForText('Test leg-slab')
  }).timeout(60_000)

  itAtLength('opens a case at any address, with every part of it', async () => {
    for (const [stage, heading] of [
      ['size-up', 'Size up'],
      ['measure', 'Measure'],
      ['choose', 'Choose'],
      ['watch', 'Watch'],
      ['record', 'Run record'],
    ] as const) {
      await browser.open(`/case/${seeded.caseId}/${stage}`)
      await openByPin()
      await browser.find('heading', heading)
    }
    await browser.open('/guide')
    await openByPin()
    await browser.find('heading', 'Guide')
  }).timeout(90_000)

  it('shows its own fonts', async () => {
    expect(
      await browser.evaluateAsync(
        `const [done] = arguments
         document.fonts.ready.then(() => done([...document.fonts].some((one) => one.status === 'loaded')))`,
      ),
    ).to.equal(true)
  })

  it('keeps what is entered through another start, and sends it when the network is back', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await openByPin()
    await browser.click('button', 'Add something owed')
    await browser.type('textbox', 'What', 'Ring the daughter')
    await browser.click('button', 'Add it')
    await browser.find('button', 'Do it: Ring the daughter')
    await browser.driver.navigate().refresh()
    await openByPin()
    await browser.find('button', 'Do it: Ring the daughter')
    await line.mend()
    await browser.driver.wait(
      () =>
        browser.evaluateAsync<boolean>(
          `const [id, done] = arguments
           fetch('/api/cases/' + id).then((one) => one.json()).then((one) => done((one.record.addedTasks ?? []).some((task) => task.text === 'Ring the daughter')), () => done(false))`,
          seeded.caseId,
        ),
      40_000,
      'what was entered never arrived',
    )
  }).timeout(120_000)

  it('does not start for whoever signed out', async () => {
    await browser.open('/')
    await browser.evaluateAsync(
      `const [done] = arguments
       fetch('/api/session').then((one) => one.json()).then(({ csrf }) => fetch('/api/session', { method: 'DELETE', headers: { 'x-csrf-token': csrf } })).then(() => done(null))`,
    )
    await browser.driver.navigate().refresh()
    await browser.find('button', 'Sign in')
    await line.cut()
    await browser.driver.navigate().refresh()
    await browser.waitForText('The server does not answer')
    expect(await browser.text()).not.to.include('Test leg-slab')
    await line.mend()
  }).timeout(60_000)
})
