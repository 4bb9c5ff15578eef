import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('the hand-over in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  it('tells the patients of a place, the worst first', async () => {
    await browser.click('link', 'Hand-over')
    await browser.find('list', 'Patients, the worst first')
    await browser.click('radio', 'Ward B')
    await browser.driver.wait(async () => /place=Ward\+B/.test(await browser.driver.getCurrentUrl()), patienceMs)
    const cards = (): Promise<readonly string[]> => browser.texts('ul[aria-label="Patients, the worst first"] > li')
    // The address changes first; the list of before stays until the new one is there.
    const isWardB = async (): Promise<boolean> => (await cards()).every((text) => text.includes('Ward B'))
    await browser.driver.wait(isWardB, patienceMs, 'patients of other places stay in the list')
    const places = await cards()
    expect(places.length).to.be.greaterThan(1)
    expect(places[0]).to.match(/Urgent/)
  }).timeout(40_000)

  it('keeps a line of worry and who takes the patient over, for the next one who looks', async () => {
    await browser.click('button', 'What worries? Lowenna Pascoe-Bray')
    await browser.type('textbox', 'What worries about Lowenna Pascoe-Bray', 'fingers cooler each hour')
    await browser.click('button', 'Keep the line')
    await browser.waitForText('fingers cooler each hour')
    await browser.click('button', 'I take over Lowenna Pascoe-Bray')
    await browser.waitForText(/Isolde Quill has the patient/)
    await browser.driver.navigate().refresh()
    await browser.waitForText(/Isolde Quill has the patient/)
    await browser.waitForText('fingers cooler each hour')
  }).timeout(40_000)

  it('leads to the patient, and to paper', async () => {
    const link = await browser.find('link', /On paper, A4/)
    expect(await link.getAttribute('href')).to.match(/hand-over\.pdf\?place=Ward\+B.*sheet=a4/)
    await browser.click('link', 'Lowenna Pascoe-Bray')
    await browser.find('heading', 'Watch')
  })
})
