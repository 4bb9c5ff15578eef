import { expect } from 'chai'
import type { CaseRecord } from '#contract/records/case'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { draftIsKept } from '../harness/kept'
import { sampleOf } from '../harness/long'
import { startLiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

const stages = ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch'] as const
const trouble = 'Pulse lost, or the limb cold and pale'

describe('a tab that dies', () => {
  let browser: TestBrowser
  let seeded: SeededCase
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 30)
    await startRun(browser, seeded)
  })

  /** Ends the tab as a fault does: no page is told, nothing is finished. Another one goes on. */
  const kill = async (): Promise<void> => {
    const dying = await browser.driver.getWindowHandle()
    await browser.openTab()
    const left = await browser.driver.getWindowHandle()
    await browser.toTab(dying)
    await browser.driver.get('chrome://crash').catch(() => undefined)
    await browser.toTab(left)
    await browser.setViewport(1280, 800)
  }
  const open = (stage: string): Promise<void> => browser.open(`/case/${seeded.caseId}/${stage}`)
  const record = async (): Promise<CaseRecord> =>
    (
      await browser.evaluateAsync<{ record: CaseRecord }>(
        `fetch('/api/cases/${seeded.caseId}').then((one) => one.json()).then(arguments[0])`,
      )
    ).record
  const until = (what: string, isSo: (record: CaseRecord) => boolean): Promise<unknown> =>
    browser.driver.wait(async () => isSo(await record()), patienceMs, `${what} did not come to the server`)

  it('in the middle of a run: the step that was done is done once, and the run goes on at the next one', async () => {
    await until('the run', ({ runs }) => runs.length === 1)
    const before = (await record()).runs[0]!.steps.length
    await open('apply')
    await browser.click('button', 'Done')
    await kill()
    await open('apply')
    await until('the step', ({ runs }) => (runs[0]?.steps.length ?? 0) > before)
    expect((await record()).runs[0]!.steps).to.have.length(before + 1)
  }).timeout(60_000)

  for (const [index, stage] of sampleOf(stages, 3).entries())
    it(`on ${stage}: what was recorded comes to the server, once`, async () => {
      await open(stage)
      await browser.click('button', 'Something is wrong')
      await browser.click('button', trouble)
      await browser.waitForText('Go on')
      await kill()
      await open(stage)
      await until(`the trouble on ${stage}`, ({ troubles = [] }) => troubles.length > index)
      expect((await record()).troubles?.filter((one) => one.label === trouble)).to.have.length(index + 1)
    }).timeout(60_000)

  it('in the middle of a word: what was typed is there', async () => {
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 50)
    await open('watch')
    await browser.click('button', 'Add something owed')
    await browser.type('textbox', 'What', 'Ask about the other')
    await draftIsKept(browser, /Ask about the other/)
    await kill()
    await open('watch')
    await browser.click('button', 'Add something owed')
    const typed = await browser.find('textbox', 'What')
    await browser.driver.wait(async () => (await typed.getAttribute('value')) === 'Ask about the other', patienceMs)
  }).timeout(60_000)
})
