import { expect } from 'chai'
import { openFolds, signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser

describe('orders on a phone, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
  })

  it('by telephone: what is missing is said, it is read back, one that contradicts asks which holds, and one is withdrawn by name', async () => {
    const seeded = await seedCase(browser, 'leg-cast')
    await sendRound(browser, seeded, quietRound('leg-cast'), true, 240)
    await sendApplied(browser, seeded, 230)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.find('heading', 'Watch')
    await openFolds(browser)
    await browser.click('button', 'Enter an order')
    await browser.click('button', 'Record the order')
    await browser.waitForText('What is ordered is missing: choose it.')
    await browser.click('radio', 'Angle')
    await browser.click('button', 'Record the order')
    await browser.waitForText('Who ordered it is missing: write the name.')
    await browser.type('textbox', 'Ordered by (name)', 'Otto Marlowe-Pike')
    await browser.click('button', 'Record the order')
    await browser.waitForText('Degrees is missing: type the figure that was ordered.')
    await browser.click('radio', 'Cut it open')
    await browser.click('radio', 'By telephone')
    await browser.click('radio', '“That is right” was answered')
    await browser.click('button', 'Record the order')
    await browser.waitForText(/Cut it open\s+by Otto Marlowe-Pike, by telephone\s+✓ said back to Otto Marlowe-Pike/)
    await browser.click('button', 'Enter an order')
    await browser.click('radio', 'Close it again')
    await browser.type('textbox', 'Ordered by (name)', 'Sorrel Vane')
    await browser.waitForText('This contradicts “Cut it open”')
    await browser.click('button', 'Record it, and end the other')
    await browser.waitForText(/Cut it open: no more: the order was withdrawn\s+by Sorrel Vane/)
    await browser.click('button', 'Withdraw: Close it again')
    await browser.type('textbox', 'Withdrawn by (name)', 'Otto Marlowe-Pike')
    await browser.click('button', 'Withdraw it')
    await browser.waitForText(/Close it again: no more: the order was withdrawn\s+by Otto Marlowe-Pike/)
    expect(await browser.query('button', /^Withdraw: /)).to.equal(null)
  }).timeout(90_000)
})
