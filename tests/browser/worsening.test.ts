import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/** A worsening leg: the chain is paged until somebody answers, and the next shift reads all of it without asking. */
describe('a worsening leg, in the browser', () => {
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
  })

  interface Page {
    readonly id: string
    readonly to: string
    readonly text: string
  }
  const held = async (): Promise<readonly Page[]> =>
    ((await fetch(`${server.pager}/pages`).then((one) => one.json())) as { pages: Page[] }).pages.filter((page) =>
      page.text.startsWith('Bay 9'),
    )
  const pagerMode = (mode: string): Promise<unknown> => fetch(`${server.pager}/state`, { method: 'POST', body: JSON.stringify({ mode }) })

  it('a lead says who is called in an area, and who is on', async () => {
    await signIn(browser, 'maren', server.password)
    await browser.click('button', 'Menu')
    await browser.click('menuitem', 'Ward settings')
    await browser.waitForText('The pager answers.')
    await browser.click('button', 'An area of its own')
    await browser.click('button', 'Keep')
    await browser.waitForText('Area is missing')
    await browser.type('textbox', 'Area', 'Bay 9')
    await browser.click('button', 'Take out step 3')
    await browser.type('textbox', /^Step 2: minutes/, 'soon')
    await browser.click('button', 'Keep')
    await browser.waitForText('Minutes of step 2 must be a whole number')
    await browser.type('textbox', /^Step 2: minutes/, '0')
    await browser.click('button', 'Keep')
    await browser.find('button', 'Change who is called: Bay 9')
    await browser.click('button', 'Add a shift')
    await browser.type('textbox', 'Role', 'Registrar')
    await browser.click('button', 'Keep')
    await browser.waitForText('Name is missing')
    await browser.type('textbox', 'Name', 'Sorrel Vane')
    await browser.type('textbox', 'Area (empty: everywhere)', 'Bay 9')
    await browser.evaluate(`
      for (const [label, value] of [['From', '00:00'], ['Until', '23:59']]) {
        const input = [...document.querySelectorAll('label')].find((one) => one.textContent === label).parentElement.querySelector('input')
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, value)
        input.dispatchEvent(new Event('input', { bubbles: true }))
      }`)
    await browser.click('button', 'Keep')
    await browser.find('button', /^Take out Sorrel Vane/)
  }).timeout(60_000)

  it('an urgent round pages the first, then the second, who answers on the pager', async () => {
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 90)
    await sendApplied(browser, seeded, 80)
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 60)
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 30)
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent' }), false, 6)
    await browser.driver.wait(
      async () => (await held()).some((one) => one.to.startsWith('Sorrel Vane')),
      patienceMs,
      'the registrar was never paged',
    )
    const pages = await held()
    expect(pages.some((page) => /nurse in charge$/i.test(page.to))).to.equal(true)
    for (const page of pages) expect(page.text).to.not.include('Test leg-slab')
    await browser.open(`/case/${seeded.caseId}/watch`)
    const list = await browser.find('list', 'Paged')
    await browser.driver.wait(
      async () => /nurse in charge[^]*delivered[^]*Sorrel Vane, registrar[^]*delivered/.test(await list.getText()),
      patienceMs,
    )
    await browser.waitForText(/Nobody has answered, \d+ min/)
    const second = (await held()).find((one) => one.to.startsWith('Sorrel Vane'))
    await fetch(`${server.pager}/receipts`, { method: 'POST', body: JSON.stringify({ pageId: second?.id, what: 'answered' }) })
    await browser.waitForText(/✓ Answered \d\d:\d\d, Sorrel Vane, registrar/)
  }).timeout(90_000)

  it('the cast is opened, the second quiet round settles it', async () => {
    await browser.click('button', /^Done: Open the device down to the skin/)
    await browser.waitForText(/✓ Done \d\d:\d\d/)
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 4)
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 1)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.waitForText(/Not looked at: left leg colour|No warning in what was entered/)
    expect(await browser.query('list', 'Paged')).to.equal(null)
  }).timeout(60_000)

  it('the next shift takes the patient over and reads all of it', async () => {
    await browser.open('/hand-over?place=Bay+9')
    await browser.waitForText('Test leg-slab')
    const text = await browser.text()
    expect(text).to.match(/Called .*nurse in charge: not reached/i)
    expect(text).to.match(/Called Sorrel Vane, registrar: answered the pager/)
    expect(text).to.match(/Open the device down to the skin/)
    await browser.click('button', 'I take over Test leg-slab')
    await browser.waitForText(/Maren Oake has the patient/)
  }).timeout(40_000)

  it('the Board says when the pager is away, and when it is back', async () => {
    const isAnswering = (): Promise<boolean> =>
      browser.evaluateAsync(
        `const [done] = arguments; fetch('/api/board').then((one) => one.json()).then(({ pager }) => done(pager.isAnswering))`,
      )
    await pagerMode('down')
    await browser.driver.wait(async () => !(await isAnswering()), patienceMs, 'the server never found out')
    await browser.open('/')
    await browser.waitForText('The pager is not answering: phone')
    await pagerMode('deliver')
    await browser.driver.wait(isAnswering, patienceMs, 'the server never saw it back')
    await browser.open('/')
    await browser.find('list', /^Live cases, worst first/)
    expect(await browser.text()).to.not.include('The pager is not answering')
  }).timeout(60_000)
})
