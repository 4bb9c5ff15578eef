import { v7 as uuidv7 } from 'uuid'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendEvent, sendRound, type SeededCase } from '../harness/seed-case'

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
