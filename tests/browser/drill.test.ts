import { expect } from 'chai'
import { replayDrill } from '#core/practice/drill/finish-drill'
import { findNight } from '#core/practice/drill/nights'
import { defaultProtocol } from '#core/quantities/defaults'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { sendRoundForm } from '../harness/browser/fill-round'
import { startLiveServer } from '../harness/live-server'
import { waitForKeptApplication } from '../harness/kept'
import { patienceMs } from '../harness/patience'

/** A minute of the night passes so many times faster than on the screen. */
const faster = 300

describe('the drill, in the browser', () => {
  let browser: TestBrowser
  let line: CutLine
  let address: string
  before(async () => {
    const server = await startLiveServer()
    address = server.address
    line = await startCutLine(server.address)
    browser = await startBrowser(line.address, { keepsApplication: true })
    await browser.setViewport(1280, 800)
    await signIn(browser, 'sunniva', server.password)
  })
  const clock = async (): Promise<string> => (await browser.find('timer', 'Clock of the night')).getText()
  const seedField = async () => browser.find('textbox', 'Seed')

  it('begins from a seed, and says what is missing', async () => {
    await browser.open('/practice')
    await browser.click('link', /^A quiet night/)
    await (await seedField()).sendKeys('\uE009a\uE000', '\uE017')
    await browser.click('button', 'Begin the night')
    await browser.waitForText('Seed is missing')
    await (await seedField()).sendKeys('1234567890'.repeat(5))
    expect(await (await seedField()).getAttribute('value')).to.have.length(40)
    await browser.click('button', 'Begin the night')
    await browser.find('timer', 'Clock of the night')
    expect(await browser.text()).to.include('Practice: no patient')
    await browser.click('button', 'Pause')
  }).timeout(40_000)

  it('takes its minutes for a look, and what is written on the real round screen is judged', async () => {
    const before = await clock()
    await browser.click('button', /^Bed 2/)
    await browser.click('button', 'Wake and look')
    await browser.find('region', 'What you find')
    await browser.click('button', 'Rest of both normal')
    const put = (cell: string, entry: string): Promise<void> =>
      browser.evaluate(
        `[...document.querySelectorAll('[data-cell]')].find((one) => one.dataset.cell.endsWith(arguments[0]) && [...one.querySelectorAll('button')].some((each) => each.textContent.startsWith(arguments[1])))
          .querySelectorAll('button').forEach((one) => { if (one.textContent.startsWith(arguments[1])) one.click() })`,
        cell,
        entry,
      )
    await put('/pulse', 'absent')
    await sendRoundForm(browser, 'Write it down')
    await browser.waitForText(/no pulse felt/)
    await browser.waitForText('Call')
    expect(await clock()).to.not.equal(before)
  }).timeout(40_000)

  it('goes on where it was after a reload', async () => {
    const before = await clock()
    await browser.driver.navigate().refresh()
    await browser.find('timer', 'Clock of the night')
    await browser.click('button', 'Pause')
    expect((await clock()).slice(0, 4)).to.equal(before.slice(0, 4))
    await browser.waitForText(/no pulse felt/)
  }).timeout(40_000)

  /** Nights of whoever is signed in, as the server has them. */
  const nightsKept = async (): Promise<number> => {
    const cookie = (await browser.driver.manage().getCookies()).map((one) => `${one.name}=${one.value}`).join('; ')
    const answer = await fetch(`${address}/api/practice/progress`, { headers: { cookie } })
    return ((await answer.json()) as { progress: { drills: readonly unknown[] } }).progress.drills.length
  }

  it('ends in the morning with the score beside the list’s and the perfect player’s, and every bed, also without a line', async () => {
    await waitForKeptApplication(browser)
    await line.cut()
    await browser.click('button', /^Call the senior/)
    await browser.evaluate(`const real = window.setInterval; window.setInterval = (work, ms) => real(work, ms / ${faster})`)
    await browser.click('button', 'Go on')
    await browser.click('radio', '1 s a minute')
    await browser.waitForText('By the list alone')
    const text = await browser.text()
    expect(text).to.include('Knowing the truth').and.to.include('Rounds and checks later than their grace')
    for (const bed of [1, 2, 3, 4]) await browser.find('image', new RegExp(`^Bed ${bed}: highest \\d+\\.\\d kPa`))
    expect(await nightsKept()).to.equal(0)
    await line.mend()
    // It goes by itself: nobody loads the page anew, and no event waits beside it.
    await browser.driver.wait(async () => (await nightsKept()) === 1, patienceMs, 'the night never came to the server')
  }).timeout(60_000)

  it('is ended and looked back at whenever the player wants, and says so', async () => {
    await browser.click('button', 'Another night')
    await browser.click('button', 'Begin the night')
    await browser.click('button', 'End now and look back')
    await browser.click('button', 'Go on with the night')
    await browser.click('button', 'End now and look back')
    await browser.click('button', 'End and look back')
    await browser.waitForText(/You ended it at \d\d:\d\d, after \d\.\d of 6 h/)
    await browser.driver.navigate().refresh()
    await browser.waitForText(/You ended it at .*Less than an hour does not join your progress/)
  }).timeout(40_000)

  it('joins the progress of who played it, with the score that the server worked out itself', async () => {
    await browser.open('/practice/progress')
    await browser.waitForText('Nights of the drill')
    const shown = await browser.text()
    expect(shown).to.include('A quiet night')
    const night = findNight('quiet')
    expect(night && replayDrill(night, '1234567890'.repeat(4), [], defaultProtocol).isOver).to.equal(true)
    await browser.waitForText(/list \d+\.\d, perfect \d+\.\d/)
    await browser.open('/practice/drill/noon')
    await browser.waitForText('The address names no night')
  }).timeout(40_000)
})
