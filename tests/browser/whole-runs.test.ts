import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { draftIsKept } from '../harness/kept'
import { startLiveServer, type LiveServer, type Standin } from '../harness/live-server'
import { finishStep, shownStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('whole runs in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  const set = (device: Standin, settings: object): Promise<Response> =>
    fetch(`${server.panels[device]}/state`, { method: 'POST', body: JSON.stringify(settings) })
  const press = (device: Standin, button: 'hold' | 'unplug' | 'garbage'): Promise<Response> =>
    fetch(`${server.panels[device]}/${button}`, { method: 'POST' })

  /** Records the check after application and finishes the run on Check. */
  async function closeRun(seeded: SeededCase, technique: string): Promise<void> {
    await walkTo(browser, /Check circulation, feeling and movement again/)
    await sendRound(browser, seeded, quietRound(technique), false)
    await browser.waitForText('No warning in what was entered')
    for (let left = 0; left < 3 && (await shownStep(browser)); left++) await finishStep(browser)
    await browser.find('heading', 'Check')
    expect(await browser.text()).not.to.include('Nobody has looked at it yet')
  }

  async function recordText(seeded: SeededCase): Promise<string> {
    await browser.open(`/case/${seeded.caseId}/record`)
    await browser.find('heading', 'Run record')
    await browser.find('heading', 'Steps')
    return browser.text()
  }

  describe('an extrication collar', () => {
    let seeded: SeededCase

    it('has its order said back, its people named, and what is missing said', async () => {
      seeded = await seedCase(browser, 'extrication-collar', { orders: { oxygen: 'mask' }, options: { policy: 'rigid' } })
      await sendRound(browser, seeded, quietRound('extrication-collar'), true)
      await browser.open(`/case/${seeded.caseId}/choose`)
      await browser.click('button', 'Accept the plan')
      await browser.click('button', 'Say back: Oxygen by mask')
      await browser.click('button', /That is right/)
      await browser.waitForText('Ordered by is missing')
      await browser.type('textbox', 'Ordered by', 'Merryn Sale')
      await browser.click('button', /That is right/)
      await browser.waitForText('said back to Merryn Sale')
      await browser.click('button', 'Add')
      await browser.waitForText('Who is here is missing')
      await browser.click('button', 'Add me')
      await browser.type('textbox', 'Who is here', 'Tobin')
      await browser.click('button', 'Add')
      await browser.find('combobox', 'Tobin: place')
      const label = await (await browser.find('combobox', 'Tobin: place')).getText()
      expect(label).to.include('at the head')
    }).timeout(60_000)

    it('offers what may come in any order, and takes the head over by name', async () => {
      await browser.click('button', 'Start applying')
      await browser.find('region', 'Step 1 of 18')
      await browser.waitForText('a second person holds the head in line')
      await browser.click('button', 'lay out')
      await browser.find('region', 'Step 6 of 18')
      await finishStep(browser)
      await browser.find('region', 'Step 1 of 18')
      await browser.click('button', 'Hand over: Helper at the head, Tobin')
      await browser.click('button', /I have it/)
      await browser.waitForText('Taken by is missing')
      await browser.type('textbox', 'Taken by', 'Wilf Orchard')
      await browser.click('button', /I have it/)
      await browser.find('button', 'Hand over: Helper at the head, Wilf Orchard')
    }).timeout(60_000)

    it('marks the strap with its slack, and is recorded on one page', async () => {
      await walkTo(browser, /chin well in, close/)
      await browser.waitForText('of strap over when the fingers lie under it')
      await browser.click('button', /snug/)
      await closeRun(seeded, 'extrication-collar')
      const record = await recordText(seeded)
      for (const words of [
        'Collar strap: snug',
        'Tobin to Wilf Orchard',
        'Oxygen by mask: said back to Merryn Sale',
        'hold the head',
        'Collar setting',
      ])
        expect(record).to.include(words)
      expect(record).not.to.include('Deviations')
    }).timeout(90_000)
  })

  describe('a frame traction splint', () => {
    let seeded: SeededCase

    it('gives the pull its ten minutes and lets it be walked to the ratchet', async () => {
      seeded = await seedCase(browser, 'frame-traction')
      await sendRound(browser, seeded, quietRound('frame-traction'), true)
      await startRun(browser, seeded)
      await walkTo(browser, /A helper holds above and below the break/)
      await browser.find('timer', 'Pull taken within')
      await walkTo(browser, /^Step \d+ of \d+: [\s\S]*Ratchet/)
    }).timeout(60_000)

    it('draws the load scale live, ignores nonsense, and keeps pain before and after', async () => {
      await set('scale', { value: 3, jitter: 0, lossShare: 0 })
      await browser.click('radio', '8')
      await browser.click('button', 'Pair the digital load scale')
      await browser.find('region', 'Digital load scale')
      await browser.waitForText('short of what is expected')
      await press('scale', 'garbage')
      await set('scale', { value: 5.9 })
      await browser.waitForText(/5\.9 kg\s*■ steady/)
      await press('scale', 'hold')
      await press('scale', 'unplug')
      await browser.waitForText('The load scale is gone: nothing was taken')
      const after = await browser.driver.findElement({
        xpath: '//fieldset[legend[contains(., "Pain after")]]//button[normalize-space()="3"]',
      })
      await browser.driver.executeScript('arguments[0].click()', after)
      await browser.click('checkbox', 'Same length as the other leg')
      // What is entered and not kept yet survives a closed tab.
      await browser.driver.wait(async () => (await browser.text()).includes('Pain eased from 8 to 3'), patienceMs)
      await draftIsKept(browser, /"isEqualLength":true/)
      await browser.driver.navigate().refresh()
      await browser.waitForText('Pain eased from 8 to 3')
      await browser.click('button', 'Keep the pull')
      await browser.waitForText('Pain eased from 8 to 3')
      await browser.find('button', 'Pull kept')
    }).timeout(60_000)

    it('stops the pull clock, starts the one to change the splint, and shows it on the Board too', async () => {
      await finishStep(browser)
      await browser.find('timer', 'Change the field splint')
      await browser.waitUntilGone('timer', 'Pull taken within')
      await browser.open('/')
      await browser.find('heading', 'Board')
      await browser.click('button', /next|Change the field splint/)
      await browser.find('dialog', 'Clocks')
      await browser.waitForText(/T\.F\.T\., Bay 9: Change the field splint\s*1:5\d h/)
    }).timeout(60_000)

    it('ends with straps, check and record', async () => {
      await browser.open(`/case/${seeded.caseId}/apply`)
      await browser.find('region', /^Step/)
      await walkTo(browser, /Straps at/)
      await browser.click('button', /checked/)
      await closeRun(seeded, 'frame-traction')
      const record = await recordText(seeded)
      expect(record).to.match(/5\.9 kg by scale; pain 8 before, 3 after; length as the other leg/)
      expect(record).to.match(/cm above the sole: checked/)
      expect(record).to.include('Pull taken within')
    }).timeout(90_000)
  })

  describe('a two-shell trunk orthosis', () => {
    let seeded: SeededCase

    it('holds the order of the straps, and keeps the reason of one out of turn', async () => {
      seeded = await seedCase(browser, 'trunk-shell', { options: { way: 'lying', 'strap-order': 'lowest-first' } })
      await sendRound(browser, seeded, quietRound('trunk-shell'), true)
      await startRun(browser, seeded)
      await walkTo(browser, /Lowest straps first/)
      const group = await browser.find('group', 'Left, strap 1 from the top')
      const [, snug] = await group.findElements({ css: 'button' })
      await browser.driver.executeScript('arguments[0].click()', snug)
      await browser.find('dialog', 'Left, strap 1 from the top out of turn?')
      await browser.click('button', 'Close it now')
      await browser.waitForText('Reason is missing')
      await browser.type('textbox', 'Reason', 'lower strap torn')
      await browser.click('button', 'Close it now')
      await browser.driver.wait(async () => (await snug?.getAttribute('aria-pressed')) === 'true', patienceMs)
    }).timeout(90_000)

    it('lets a step be done out of order or once more, asks why, and keeps both', async () => {
      await browser.click('button', /check once it is on/)
      await browser.waitForText('Out of order: before it comes')
      await browser.click('button', 'Back')
      await walkTo(browser, /Read the height of the upper edge/)
      await browser.click('button', /tell the halves apart/)
      await browser.waitForText('once more')
      await finishStep(browser)
      await closeRun(seeded, 'trunk-shell')
      const record = await recordText(seeded)
      expect(record).to.include('tell the halves apart done again')
      expect(record).to.include('Left, strap 1 from the top: snug; out of turn: lower strap torn')
    }).timeout(90_000)
  })
})
