import { expect } from 'chai'
import { Key, type WebElement } from 'selenium-webdriver'
import type { CaseRecord } from '#contract/records/case'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { waitForKeptApplication } from '../harness/kept'
import { itAtLength } from '../harness/long'
import { bounceIsOver } from '../harness/browser/waits'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { finishStep, shownStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/** Counts what the page asks of the device: shaking, sounding, staying awake. */
const deviceStub = `
  window.asked = { shaken: 0, tones: 0, awake: 0 }
  navigator.vibrate = () => { window.asked.shaken++; return true }
  Object.defineProperty(navigator, 'wakeLock', { value: { request: async () => {
    window.asked.awake++
    return { release: async () => { window.asked.awake-- } }
  } } })
  const start = OscillatorNode.prototype.start
  OscillatorNode.prototype.start = function (...at) { window.asked.tones++; return start.apply(this, at) }
`

interface Asked {
  readonly shaken: number
  readonly tones: number
  readonly awake: number
}

describe('at the bedside', () => {
  before(async () => {
    server = await startLiveServer()
  })

  describe('a run without free hands', () => {
    let seeded: SeededCase
    before(async () => {
      browser = await startBrowser(server.address)
      await browser.setViewport(1280, 800)
      await browser.driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: deviceStub })
      await signIn(browser, 'isolde', server.password)
      seeded = await seedCase(browser, 'leg-slab')
      await sendRound(browser, seeded, quietRound('leg-slab'), true)
      await startRun(browser, seeded)
    })

    const stepNumber = async (): Promise<number> => Number(/^Step (\d+)/.exec(await shownStep(browser))?.[1])
    const waitForStep = (step: number): Promise<unknown> =>
      browser.driver.wait(async () => (await stepNumber()) === step, patienceMs, `step ${step} never came`)
    const asked = (): Promise<Asked> => browser.evaluate('return window.asked')
    /** Starts a limit of a few seconds, as another screen would. */
    const startLimit = async (label: string, minutes: number): Promise<void> => {
      const runId: string = await browser.evaluateAsync(
        `const [id, done] = arguments
         fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record.runs.at(-1).id))`,
        seeded.caseId,
      )
      const stream = { type: 'case', id: seeded.caseId } as const
      await sendEvent(browser, stream, 'timer', { runId, timerId: label, label, minutes, kind: 'limit' })
    }
    const settle = (): Promise<void> => bounceIsOver(browser)
    const key = (type: 'keyDown' | 'keyUp', isRepeat = false): Promise<unknown> =>
      browser.driver.sendAndGetDevToolsCommand('Input.dispatchKeyEvent', {
        type,
        key: 'PageDown',
        code: 'PageDown',
        windowsVirtualKeyCode: 34,
        autoRepeat: isRepeat,
      })

    it('keeps the screen awake from the first step on', async () => {
      await browser.driver.wait(async () => (await asked()).awake > 0, patienceMs)
    })

    it('takes the pedal wherever the focus was left, but not out of a field', async () => {
      await settle()
      await browser.evaluate('document.activeElement.blur()')
      await browser.press(Key.PAGE_DOWN)
      await waitForStep(2)
      await settle()
      await (await browser.find('textbox', 'Note, kept with the time')).sendKeys('two hands ', Key.SPACE, Key.PAGE_DOWN)
      await settle()
      expect(await stepNumber()).to.equal(2)
      await browser.evaluate('document.activeElement.blur()')
      await browser.press(Key.BACK_SPACE)
      await waitForStep(1)
    })

    it('counts a pedal that is held down, or that bounces, once', async () => {
      await settle()
      await key('keyDown')
      for (let count = 0; count < 12; count++) await key('keyDown', true)
      await key('keyUp')
      await waitForStep(2)
      await settle()
      expect(await stepNumber()).to.equal(2)
      const confirm = await browser.find('button', 'Both identifiers and LEFT confirmed aloud')
      expect((await confirm.getRect()).height).to.be.at.least(60)
      expect(await browser.query('button', 'Done ›')).to.equal(null)
      await confirm.click()
      await waitForStep(3)
      await settle()
      await browser.evaluate('document.activeElement.blur()')
      // All at once: a bounce is quicker than the answer to one press.
      await Promise.all([key('keyDown'), key('keyUp'), key('keyDown'), key('keyUp')])
      await waitForStep(4)
      await settle()
      expect(await stepNumber()).to.equal(4)
    })

    it('leaves the keys to a sheet that is open', async () => {
      await browser.press('w')
      await browser.find('dialog', 'What is wrong?')
      await browser.press(Key.PAGE_DOWN)
      await browser.press(Key.ESCAPE)
      await browser.waitUntilGone('dialog', 'What is wrong?')
      expect(await stepNumber()).to.equal(4)
    })

    it('gives a touch screen two halves', async () => {
      await browser.setViewport(390, 844)
      await browser.driver.sendAndGetDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: true })
      const on = await browser.find('button', 'Done ›')
      const back = await browser.find('button', '‹ Back')
      const onScreen = (element: WebElement): Promise<DOMRect> =>
        browser.driver.executeScript('return arguments[0].getBoundingClientRect().toJSON()', element)
      const [right, left] = [await onScreen(on), await onScreen(back)]
      expect(left.x + left.width).to.be.at.most(right.x)
      for (const half of [left, right]) {
        expect(half.width, 'a glove wide').to.be.at.least(150)
        expect(half.height, 'a glove high').to.be.at.least(90)
      }
      expect(right.y + right.height, 'in reach without scrolling').to.be.at.most(844)
      await settle()
      await on.click()
      await waitForStep(5)
      await settle()
      await back.click()
      await waitForStep(4)
      await browser.driver.sendAndGetDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: false })
      await browser.setViewport(1280, 800)
    })

    itAtLength('sounds and shakes once when a timer ends, says so, and stops when it was heard', async () => {
      await (await browser.find('heading', 'Apply')).click().catch(() => undefined)
      await browser.press(Key.SHIFT)
      const before = await asked()
      await startLimit('Board limit', 0.05)
      await browser.find('timer', 'Board limit')
      await browser.find('button', 'Heard: Board limit')
      await browser.driver.wait(async () => (await asked()).shaken > before.shaken, patienceMs)
      // When a second one has sounded, the first has had all the time to do it twice.
      await startLimit('Second limit', 0.03)
      await browser.driver.wait(async () => (await asked()).shaken > before.shaken + 1, patienceMs)
      const after = await asked()
      expect(after.shaken - before.shaken, 'shaken').to.equal(2)
      expect(after.tones - before.tones, 'tones of two alarms').to.equal(6)
      // One sentence at a time: the second comes when the first was heard.
      await browser.click('button', 'Heard: Board limit')
      await browser.click('button', 'Heard: Second limit')
      await browser.waitUntilGone('timer', 'Board limit')
    })

    itAtLength('is silent when the sound is off, and shows the end all the same', async () => {
      await walkTo(browser, /bubbles stop/)
      await browser.click('button', 'Sound is on: turn it off')
      const before = await asked()
      await startLimit('Quiet limit', 0.04)
      await browser.find('button', 'Heard: Quiet limit')
      await browser.click('button', 'Sound is off: turn it on')
      await startLimit('Loud limit', 0.03)
      await browser.driver.wait(async () => (await asked()).tones > before.tones, patienceMs)
      expect((await asked()).tones - before.tones, 'tones of the loud one alone').to.equal(3)
      await browser.click('button', 'Heard: Quiet limit')
      await browser.click('button', 'Heard: Loud limit')
    })

    it('shows what is running before anybody has signed in, without a name', async () => {
      await browser.open(`/case/${seeded.caseId}/apply`)
      await browser.find('region', /^Step/)
      await walkTo(browser, /Fold the corner/)
      await browser.find('timer', 'Setting')
      await browser.driver.manage().deleteAllCookies()
      await browser.driver.navigate().refresh()
      await browser.find('button', 'Sign in')
      await browser.find('timer', 'Setting')
      expect(await browser.text()).not.to.include('Test leg-slab')
      await signIn(browser, 'isolde', server.password)
      await browser.find('timer', 'Setting')
      await browser.waitForText('Test leg-slab')
      await browser.driver.manage().deleteAllCookies()
      await browser.open('/')
      await browser.type('textbox', 'Name', 'greta')
      await browser.type('textbox', 'Password', server.password)
      await browser.click('button', 'Sign in')
      // The timer shows before anybody is signed in too, and the form goes before the answer comes: wait until she is in.
      await browser.find('heading', 'People')
      await browser.find('timer', 'Setting')
      expect(await browser.text(), 'who sees no clinical data').not.to.include('Test leg-slab')
      await browser.driver.manage().deleteAllCookies()
      await signIn(browser, 'isolde', server.password)
    })

    it('lets the screen sleep again when nobody applies and nothing is timed', async () => {
      const other = await seedCase(browser, 'walker-boot')
      await browser.open(`/case/${other.caseId}/choose`)
      await browser.find('button', 'Accept the plan')
      const isAsItShould = async (): Promise<boolean> =>
        (await asked()).awake === ((await browser.query('region', 'Running timers')) === null ? 0 : 1)
      await browser.driver.wait(isAsItShould, patienceMs, 'awake without need')
    })
  })

  describe('a run without a connection', () => {
    let seeded: SeededCase
    before(async () => {
      browser = await startBrowser(server.address, { keepsApplication: true })
      await browser.setViewport(1280, 800)
      await signIn(browser, 'isolde', server.password)
      seeded = await seedCase(browser, 'leg-slab')
      await sendRound(browser, seeded, quietRound('leg-slab'), true)
      await startRun(browser, seeded)
      await waitForKeptApplication(browser)
      await browser.driver.sendAndGetDevToolsCommand('Network.enable', {})
    })

    const network = (offline: boolean): Promise<unknown> =>
      browser.driver.sendAndGetDevToolsCommand('Network.emulateNetworkConditions', {
        offline,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      })

    it('goes on step by step with its timers, and everything arrives once and in order', async () => {
      await walkTo(browser, /Feel every bony point/)
      await browser.driver.wait(async () => !(await browser.text()).includes('Sending…'), patienceMs)
      await network(true)
      await walkTo(browser, /Fold the corner/)
      await browser.find('timer', 'Setting')
      await browser.press('w')
      await browser.click('button', 'Short of material')
      await browser.type('textbox', 'What was found, what was done', 'no signal down here')
      await browser.click('button', 'Keep and go on')
      await browser.waitForText('NOT sent: phone if urgent')
      for (const [stage, heading] of [
        ['6', 'Check'],
        ['7', 'Watch'],
        ['1', 'Size up'],
        ['5', 'Apply'],
      ] as const) {
        await browser.press(stage)
        await browser.find('heading', heading)
      }
      const shown = (await shownStep(browser)).split(':')[0]
      await network(false)
      await browser.driver.wait(async () => !/No connection|NOT sent|Sending…/.test(await browser.text()), patienceMs)
      expect((await shownStep(browser)).split(':')[0]).to.equal(shown)
      const record: CaseRecord = await browser.evaluateAsync(
        `const [id, done] = arguments
       fetch('/api/cases/' + id).then((one) => one.json()).then((one) => done(one.record))`,
        seeded.caseId,
      )
      const run = record.runs.at(-1)
      if (!run) throw new Error('no run')
      const ids = run.steps.map((step) => step.stepId)
      expect(new Set(ids).size, 'each step once').to.equal(ids.length)
      expect(ids.slice(-4)).to.deep.equal(['bone-points', 'cut-slab', 'wet', 'lay'])
      expect(run.steps.map((step) => step.at)).to.deep.equal(run.steps.map((step) => step.at).sort())
      expect(run.timers.map((timer) => timer.id)).to.include.members(['wetting', 'set'])
      expect(run.troubles?.map((trouble) => trouble.troubleId)).to.have.length(1)
      expect(record.notes.map((note) => note.text)).to.deep.equal(['Short of material: no signal down here'])
    }).timeout(120_000)

    it('locks when the session ends in mid-run, keeps what was done, and sends it after signing in', async () => {
      await browser.driver.manage().deleteAllCookies()
      await finishStep(browser)
      await browser.find('dialog', 'Signed out')
      await browser.waitForText('kept on this device and sent after signing in')
      await browser.find('timer', 'Setting')
      await browser.find('button', 'Something is wrong')
      await browser.type('textbox', 'Name', 'isolde')
      await browser.type('textbox', 'Password', server.password)
      await browser.click('button', 'Sign in')
      await browser.waitUntilGone('dialog', 'Signed out')
      await browser.driver.wait(async () => !/NOT sent|Sending…/.test(await browser.text()), patienceMs)
      const steps: string[] = await browser.evaluateAsync(
        `const [id, done] = arguments
         fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record.runs.at(-1).steps.map((one) => one.stepId)))`,
        seeded.caseId,
      )
      expect(steps.slice(-2)).to.deep.equal(['lay', 'fold'])
      expect(await browser.query('dialog', /refused|not taken/i)).to.equal(null)
    }).timeout(60_000)
  })
})
