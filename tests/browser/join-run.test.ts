import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { signIn, startBrowser, startKeepingBrowser, type KeepingBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { finishStep } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendEvent, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase

describe('two people who begin the same application', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
  })

  /** Keeps this page from hearing of what others write. */
  const hears = (isHearing: boolean): Promise<unknown> =>
    browser.driver.sendDevToolsCommand('Network.setBlockedURLs', { urls: isHearing ? [] : ['*/api/stream*', '*/api/cases/*'] })

  it('the second is told who began it, and joins that run', async () => {
    await browser.open(`/case/${seeded.caseId}/choose`)
    await browser.click('button', 'Accept the plan')
    await browser.find('button', 'Start applying')
    await browser.driver.sendDevToolsCommand('Network.enable', {})
    await hears(false)
    await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'run-started', { runId: uuidv7() })
    await browser.click('button', 'Start applying')
    await browser.find('dialog', 'Somebody applies it already')
    await browser.waitForText('Isolde Quill began to apply it at')
    await hears(true)
    await browser.click('button', 'Join it')
    await browser.find('region', /^Step 1 of/)
  }).timeout(60_000)
})

describe('somebody who opens a run that another one leads', () => {
  let otto: KeepingBrowser
  const stepsOf = (caseId: string): Promise<readonly { stepId: string; by: string }[]> =>
    browser.evaluateAsync(
      `const done = arguments[1]
       fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then(({ record }) => done(record.runs.at(-1).steps))`,
      caseId,
    )

  before(async () => {
    server = await startLiveServer()
    otto = await startKeepingBrowser(server.address)
    await otto.setViewport(1280, 800)
    await signIn(otto, 'otto', server.password)
    seeded = await seedCase(otto, 'leg-slab')
    await sendRound(otto, seeded, quietRound('leg-slab'), true)
    await startRun(otto, seeded)
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
    await browser.open(`/case/${seeded.caseId}/apply`)
    await browser.find('region', /^Step 1 of/)
  })
  after(async () => otto.quit())

  it('is told whose it is and how far, and starts nothing by a press', async () => {
    await browser.waitForText('Otto Marlowe-Pike is applying, step 1 of')
    await browser.evaluate(`[...document.querySelectorAll('main button')].find((one) => one.innerText.startsWith('Done')).click()`)
    await browser.waitForText('Another screen leads this run: help or take over, above.')
    await browser.press(' ')
    await browser.find('region', /^Step 1 of/)
    expect(await stepsOf(seeded.caseId)).to.deep.equal([])
  }).timeout(60_000)

  it('helps under their own name, and whoever leads is told', async () => {
    await browser.click('button', 'Help')
    await browser.waitForText('what you tick is kept under your name')
    await finishStep(browser)
    await otto.waitForText(/Isolde Quill, \d\d:\d\d: .+, done\./)
    await otto.find('region', /^Step 2 of/)
    expect((await stepsOf(seeded.caseId)).map(({ by }) => by)).to.deep.equal(['Isolde Quill'])
    expect(await otto.query('button', 'Take over'), 'Otto leads still').to.equal(null)
    // A press that was meant for the step before ticks nothing that nobody has read.
    await otto.driver.sleep(800)
    await otto.evaluate(`
      window.__pressed = new Promise((resolve) => new MutationObserver((_, watch) => {
        if (!/^Step 3 of/.test(document.querySelector('section[aria-label^="Step "]')?.ariaLabel ?? '')) return
        watch.disconnect()
        ;[...document.querySelectorAll('main button')].find((one) => /^Done/.test(one.innerText)).click()
        resolve()
      }).observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true }))`)
    await finishStep(browser)
    await otto.evaluateAsync('const [done] = arguments; window.__pressed.then(() => setTimeout(done, 300))')
    await otto.find('region', /^Step 3 of/)
    expect((await stepsOf(seeded.caseId)).map(({ by }) => by)).to.deep.equal(['Isolde Quill', 'Isolde Quill'])
  }).timeout(60_000)

  it('takes it over after saying so, and the other screen follows', async () => {
    await browser.click('button', 'Take over')
    await browser.find('dialog', 'Take over from Otto Marlowe-Pike?')
    await browser.click('button', 'Leave it')
    expect(await otto.query('region', 'Who leads')).to.equal(null)
    await browser.click('button', 'Take over')
    await browser.find('dialog', 'Take over from Otto Marlowe-Pike?')
    await (await browser.find('dialog', 'Take over from Otto Marlowe-Pike?')).findElement({ css: 'button[type=submit]' }).click()
    await otto.waitForText('Isolde Quill is applying, step 3 of')
    await finishStep(browser)
    await otto.find('region', /^Step 4 of/)
  }).timeout(60_000)
})
