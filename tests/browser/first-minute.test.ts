import { expect } from 'chai'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'

/** The first minute of a newcomer in the demo world of `npm start`. */
describe('a newcomer', function () {
  this.timeout(120_000)
  let live: LiveServer
  let browser: TestBrowser
  before(async () => {
    live = await startLiveServer({ WREN_TRIAL: '1' })
    browser = await startBrowser(live.address)
    await signIn(browser, 'isolde', live.password)
  })

  it('is told what this is, tries a back slab on somebody made up, with three lines a stage until they want no more', async () => {
    await browser.find('heading', 'New here?')
    await browser.click('link', 'Try a back slab')
    await browser.find('heading', 'Size up')
    const hint = await browser.find('complementary', 'What this stage is for')
    expect((await hint.getText()).split('\n').filter((line) => line.trim() !== '')).to.have.length(4)
    await browser.waitForText('Somebody made up')
    await browser.click('link', 'Measure')
    await browser.waitForText('The lit line on the drawing')
    await browser.click('button', 'No more hints')
    await browser.waitUntilGone('complementary', 'What this stage is for')
    const path = await browser.evaluate<string>('return location.pathname')
    await browser.open(path.replace('/measure', '/size-up'))
    await browser.find('heading', 'Size up')
    expect(await browser.query('complementary', 'What this stage is for')).to.equal(null)
  })

  it('closes it for good, on every device', async () => {
    await browser.open('/')
    await browser.find('heading', 'New here?')
    await browser.click('button', 'Look at the ward')
    await browser.waitUntilGone('heading', 'New here?')
    await browser.find('heading', /Pressing|Owed/)
    const other = await startBrowser(live.address)
    await signIn(other, 'isolde', live.password)
    await other.waitForText(/live cases/)
    expect(await other.query('heading', 'New here?')).to.equal(null)
  })
})
