import { expect } from 'chai'
import type { CaseAnswer } from '#contract/api/answers'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { draftIsGone } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { openClient } from '../harness/server-harness'
import { itAtLength } from '../harness/long'
import { finishStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('beside the run in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  /** Seconds that a timer shows. */
  async function secondsOf(name: string): Promise<number> {
    const text = await (await browser.find('timer', name)).getText()
    const [, minutes, seconds] = /(\d+):(\d\d)/.exec(text) ?? []
    return Number(minutes) * 60 + Number(seconds)
  }

  describe('a back slab while it sets', () => {
    let seeded: SeededCase

    it('runs several timers at once, each from the step that starts it', async () => {
      seeded = await seedCase(browser, 'leg-slab')
      await sendRound(browser, seeded, quietRound('leg-slab'), true)
      await startRun(browser, seeded)
      await walkTo(browser, /bubbles stop/)
      await browser.find('timer', 'Wetting')
      await finishStep(browser)
      await browser.find('timer', 'Setting')
      await browser.waitUntilGone('timer', 'Wetting')
      await walkTo(browser, /Hold without moving/)
      await browser.find('timer', 'Hold still')
      await browser.find('timer', 'Setting')
    }).timeout(90_000)

    itAtLength('keeps them through a reload and through a clock that is turned by a day, across midnight', async () => {
      const before = await secondsOf('Setting')
      for (const hours of [26, -26]) {
        await browser.evaluate(
          `const real = Date.now.bind(Date); const by = arguments[0] * 3600e3; Date.now = () => real() + by; window.dispatchEvent(new Event('focus'))`,
          hours,
        )
        // Two rounds of the clock's own watch, which looks every three seconds.
        await browser.driver.wait(async () => (await secondsOf('Setting')) < before - 1, patienceMs)
        expect(await secondsOf('Setting')).to.be.within(before - 30, before)
      }
      await browser.driver.navigate().refresh()
      await browser.find('region', /^Step/)
      expect(await secondsOf('Setting')).to.be.within(before - 60, before)
    }).timeout(60_000)

    it('keeps an angle typed by hand, and says whether it is held', async () => {
      await browser.waitForText('Ankle 85° to 95°')
      // The aim is no reading.
      await browser.click('button', 'Keep the angle')
      await browser.waitForText('Not recorded. Reading is missing')
      await browser.click('button', 'Ankle read: less')
      await browser.click('button', 'Keep the angle')
      await browser.waitForText(/read 89°, ■ held/)
      await browser.type('textbox', 'Ankle read, °', '70')
      await browser.press(Key.ENTER)
      await browser.click('button', 'Keep the angle')
      await browser.waitForText(/read 70°, ▼ more/)
    })

    itAtLength('takes an angle from three points of a photo', async () => {
      await browser.click('button', 'From a photo')
      await browser.click('button', 'Use the demo drawing')
      const heel = await browser.find('slider', 'Heel')
      await heel.sendKeys(Key.ARROW_DOWN)
      await browser.click('button', 'Take this angle')
      await browser.find('button', /^Ankle 85° to 95°\s+read \d+°/)
    })

    itAtLength('draws the goniometer live against its band, through nonsense and a drop-out', async () => {
      const set = (settings: object): Promise<Response> =>
        fetch(`${server.panels.goniometer}/state`, { method: 'POST', body: JSON.stringify(settings) })
      await set({ value: 91, jitter: 0, lossShare: 0 })
      await browser.click('button', 'Pair the digital goniometer')
      await browser.find('image', /Ankle 91°, aim 90°: held/)
      await fetch(`${server.panels.goniometer}/garbage`, { method: 'POST' })
      await set({ value: 60 })
      await browser.find('image', /Ankle 60°, aim 90°: too little/)
      await set({ lossShare: 1 })
      await browser.waitForText('waiting')
      await set({ lossShare: 0, value: 90 })
      await browser.waitForText(/90\.0°\s*■ steady/)
      await fetch(`${server.panels.goniometer}/hold`, { method: 'POST' })
      await browser.waitForText(/read 90°, ■ held/)
      await fetch(`${server.panels.goniometer}/unplug`, { method: 'POST' })
      await browser.waitForText('The goniometer is gone: nothing was taken')
    }).timeout(60_000)

    it('says what to do with one key when something is wrong, and keeps it', async () => {
      await browser.evaluate(`document.activeElement?.blur()`)
      await browser.press('w')
      await browser.find('dialog', 'What is wrong?')
      await browser.click('button', 'It is setting too early')
      await browser.waitForText('Stop moulding: moved now it cracks inside')
      await browser.type('textbox', 'What was found, what was done', 'angle right, held as it is')
      await browser.click('button', 'Keep and go on')
      await draftIsGone(browser, /^a/)
      await browser.open(`/case/${seeded.caseId}/record`)
      await browser.waitForText('What went wrong')
      await browser.waitForText(/It is setting too early at mould/)
      await browser.waitForText('It is setting too early: angle right, held as it is')
    })

    itAtLength('stays open for an hour of quiet hands while the run is open, and not longer: what counts is the time of day', async () => {
      await browser.open(`/case/${seeded.caseId}/apply`)
      await browser.find('region', /^Step/)
      const sleepFor = (minutes: number): Promise<void> =>
        browser.evaluate(
          `const real = window.realNow ?? (window.realNow = Date.now.bind(Date))
           Date.now = () => real() + ${minutes} * 60_000
           document.dispatchEvent(new Event('visibilitychange'))`,
        )
      await sleepFor(50)
      expect(await browser.query('dialog', 'Locked'), 'after 50 min').to.equal(null)
      await sleepFor(61)
      await browser.find('dialog', 'Locked')
      await browser.type('textbox', 'Name', 'isolde')
      await browser.type('textbox', 'Password', server.password)
      await browser.click('button', 'Unlock')
      await browser.waitUntilGone('dialog', 'Locked')
      // The page's clock is its own again.
      await browser.open(`/case/${seeded.caseId}/apply`)
    })

    it('shows timers and the step through the lock, and opens only with the password', async () => {
      await browser.open(`/case/${seeded.caseId}/apply`)
      await browser.find('region', /^Step/)
      await browser.click('button', 'Lock')
      await browser.click('menuitem', 'Lock; the password opens it')
      const lock = await browser.find('dialog', 'Locked')
      await browser.waitForText('Hold without moving until it is hard')
      // It was said to have set: only the hold still counts.
      expect(await lock.getText())
        .to.include('Hold still')
        .and.to.not.include('Setting')
      const focused = await browser.evaluate('return document.activeElement?.closest("[role=dialog]") !== null')
      expect(focused, 'the focus is in the lock').to.equal(true)
      expect(await browser.query('link', 'Board'), 'the page behind is hidden').to.equal(null)
      const drawn = await browser.evaluate<string>('return document.documentElement.innerHTML')
      expect(drawn, 'nothing of the case but the step is in the document').not.to.include('Test leg-slab')
      const board = await browser.evaluateAsync(`const [done] = arguments; fetch('/api/board').then((one) => done(one.status))`)
      expect(board).to.equal(423)
      await browser.click('button', 'Something is wrong')
      await browser.click('button', /too hot/)
      await browser.waitForText('Take it off now')
      // It does not wait for the lock: whoever looks elsewhere reads it.
      const other = await openClient(server.address, '', 'otto', server.password)
      await browser.driver.wait(
        async () =>
          ((await other.get(`/api/cases/${seeded.caseId}`)).body as unknown as CaseAnswer).record.troubles?.some(
            (trouble) => trouble.note === 'recorded through the lock',
          ) === true,
        patienceMs,
        'what was told through the lock never arrived',
      )
      await browser.click('button', 'Go on')
      await browser.type('textbox', 'Name', 'isolde')
      await browser.type('textbox', 'Password', 'wrong')
      await browser.click('button', 'Unlock')
      await browser.waitForText('Name and password do not match')
      await browser.type('textbox', 'Password', server.password)
      await browser.click('button', 'Unlock')
      await browser.find('region', /^Step/)
      await browser.waitUntilGone('dialog', 'Locked')
      // The session of before is over, which its live stream says: the one of now goes on.
      const asked = (): Promise<number> =>
        browser.evaluate(`return performance.getEntriesByType('resource').filter((one) => /api\\/stream/.test(one.name)).length`)
      await browser.driver.wait(async () => (await asked()) > 0, patienceMs, 'the stream of before never ended')
      expect(await browser.query('dialog', 'Signed out')).to.equal(null)
    }).timeout(60_000)

    it('keeps touches away while the screen is wiped, until a key or a long press', async () => {
      await browser.click('button', 'Lock')
      await browser.click('menuitem', 'Wipe the screen')
      const hold = await browser.find('button', 'Hold here to go on')
      await hold.click()
      await browser.find('dialog', 'Wipe the screen')
      await hold.sendKeys(Key.ENTER)
      await browser.waitUntilGone('dialog', 'Wipe the screen')
    })
  })

  describe('two tabs on one case', () => {
    it('lets the second follow and write along, take over, and never fork', async () => {
      const seeded = await seedCase(browser, 'walker-boot')
      await sendRound(browser, seeded, quietRound('walker-boot'), true)
      await startRun(browser, seeded)
      const first = await browser.driver.getWindowHandle()
      await browser.openTab()
      await browser.open(`/case/${seeded.caseId}/apply`)
      await browser.find('region', /^Step 1 of/)
      await browser.waitForText('You are applying on another screen')
      expect(await (await browser.find('button', 'Done')).isEnabled()).to.equal(false)
      await browser.type('textbox', 'Note, kept with the time', 'scribe is here')
      await browser.click('button', 'Keep the note')
      await browser.click('button', 'Take over')
      await browser.driver.wait(async () => (await browser.find('button', 'Done')).isEnabled(), patienceMs)
      await finishStep(browser)
      const second = await browser.driver.getWindowHandle()
      await browser.toTab(first)
      await browser.find('region', /^Step 2 of/)
      await browser.waitForText('You are applying on another screen')
      await browser.driver.navigate().refresh()
      await browser.waitForText('You are applying on another screen')
      await browser.toTab(second)
      await browser.driver.navigate().refresh()
      await browser.find('region', /^Step 2 of/)
      expect(await browser.text()).not.to.include('You are applying on another screen')
      await browser.driver.close()
      await browser.toTab(first)
    }).timeout(90_000)
  })

  describe('opening the cast that is on', () => {
    itAtLength('counts down until it is hard, and an emergency never waits', async () => {
      // A cast that was put on just now: one of the demo world is hard by the end of a long run of tests.
      const seeded = await seedCase(browser, 'leg-cast')
      const { caseId } = seeded
      await sendRound(browser, seeded, quietRound('leg-cast'), true, 30)
      await browser.open(`/case/${caseId}/choose`)
      await browser.click('button', 'Accept the plan')
      await browser.find('heading', 'Make ready')
      await sendApplied(browser, seeded, 5)
      await sendRound(browser, seeded, quietRound('leg-cast'), false, 2)
      await browser.open(`/case/${caseId}/watch`)
      await browser.find('timer', 'Hard enough to open')
      expect(await (await browser.find('button', 'Begin opening')).isEnabled()).to.equal(false)
      await browser.waitForText('Pressure opened, at 72 h')
      await browser.click('button', 'Emergency: open it now')
      await browser.find('heading', 'Open it')
      await walkTo(browser, /Both sides with the saw|Still soft: unwrap it|Both sides: shears/)
      await walkTo(browser, /Check circulation, feeling and movement again/)
      const episodeId: string = await browser.evaluateAsync(
        `const [id, done] = arguments
         fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record.episodeId))`,
        caseId,
      )
      await sendEvent(browser, { type: 'episode', id: episodeId }, 'round', {
        cases: [caseId],
        isBaseline: false,
        outcome: 'done',
        reason: '',
        findings: quietRound('leg-cast'),
      })
      await finishStep(browser).catch(() => undefined)
      await browser.find('heading', 'Watch')
      await browser.waitForText('Open the cast again')
      await browser.waitForText(/Round due in\s*[45] min/)
      await browser.open(`/case/${caseId}/record`)
      await browser.waitForText('opened now')
    }).timeout(120_000)
  })

  describe('the guide', () => {
    itAtLength('finds words across all techniques, by beginnings and near misses', async () => {
      await browser.open('/guide')
      await browser.type('searchbox', 'Search the guide', 'fibular nek')
      await browser.waitForText(/\d+ found/)
      await browser.waitForText('Hinged knee brace')
      await browser.type('searchbox', 'Search the guide', 'zzzz')
      await browser.waitForText('Nothing found')
      await browser.type('searchbox', 'Search the guide', 'relief cuts')
      await browser.click('link', /Leg cast[\s\S]*/)
      await browser.find('heading', 'Leg cast')
      for (const section of ['Schools', 'Steps, and the mistakes they prevent', 'Fit', 'Care', 'Our sources'])
        await browser.find('heading', section)
      await browser.open('/guide/leg-cast')
      await browser.waitForText('flat hands under thigh and knee')
      await browser.click('link', 'Read it by Extent: Short, below the knee')
      await browser.find('link', 'Read it by Extent: Long, to the groin')
      expect(await browser.text()).not.to.include('flat hands under thigh and knee')
      expect(await browser.driver.getCurrentUrl()).to.include('extent=short')
      await browser.driver.navigate().refresh()
      await browser.find('link', 'Read it by Extent: Long, to the groin')
      await browser.open('/guide/no-such')
      await browser.waitForText('no such technique')
    }).timeout(60_000)
  })
})
