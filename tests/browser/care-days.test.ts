import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, type SeededCase } from '../harness/seed-case'
import { finishStep, walkTo } from '../harness/cases/run-steps'
import { patienceMs } from '../harness/patience'

const dayMin = 1_440
let server: LiveServer
let browser: TestBrowser

/** Three days of a care collar: the chin reddens, and everybody sees it coming. */
describe('three days of a care collar, in the browser', () => {
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'care-collar', { isUnread: true })
    await sendRound(browser, seeded, quietRound('care-collar'), true, 3 * dayMin + 30)
    await sendApplied(browser, seeded, 3 * dayMin)
    for (const [daysAgo, chin] of [
      [2, 'intact'],
      [1, 'intact'],
      [0.1, 'reddens-and-blanches'],
    ] as const) {
      const at = new Date(Date.now() - daysAgo * dayMin * 60_000)
      const onCase = { type: 'case', id: seeded.caseId } as const
      await sendEvent(browser, onCase, 'reading', { id: 'skin-chin', value: chin }, undefined, at)
      await sendEvent(browser, onCase, 'reading', { id: 'skin-occiput', value: 'intact' }, undefined, at)
    }
    await sendRound(browser, seeded, quietRound('care-collar'), false, 5)
  })

  it('shows each area over the days, what gets worse first, as lines and in words', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    const care = await browser.find('region', 'Care over time')
    const text = await care.getText()
    expect(text).to.match(/Skin, chin\s*getting worse/)
    expect(text.indexOf('Skin, chin')).to.be.lessThan(text.indexOf('Skin, back of the head'))
    expect(text).to.match(/intact[^]*intact[^]*reddens and blanches/)
    await browser.find('image', /^Trend of what care found/)
  }).timeout(40_000)

  it('is done again as a run of its own: step by step, then what was found, and it is owed again tomorrow', async () => {
    await browser.open(`/case/${seeded.caseId}/choose`)
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
    await browser.open(`/case/${seeded.caseId}/watch`)
    const owed = await browser.find('region', 'Owed')
    expect(await owed.getText()).to.match(/Wash, skin, fresh liners[^]*late/)
    await browser.click('button', /^Step by step: /)
    await browser.find('region', /^Step 1 of/)
    await walkTo(browser, /again on all four limbs/)
    await sendRound(browser, seeded, quietRound('care-collar'), false, 0)
    await finishStep(browser)
    await browser.find('dialog', /^Wash, skin/)
    await browser.click('button', 'Done')
    await browser.waitForText(/Not said yet: /)
    const answerNext = (): Promise<boolean> =>
      browser.evaluate(
        `const open = [...document.querySelectorAll('[role=dialog] [role=radiogroup], [role=dialog] [role=group]')]
           .find((group) => !group.querySelector('[data-state=on]'))
         if (!open) return false
         open.querySelectorAll('button')[/chin$/.test(open.getAttribute('aria-label')) ? 1 : 0].click()
         return true`,
      )
    await browser.driver.wait(async () => !(await answerNext()), patienceMs)
    await browser.click('button', 'Done')
    await browser.driver.wait(
      async () => /Wash, skin, fresh liners[^]*in 1[12] h/.test(await (await browser.find('region', 'Owed')).getText()),
      patienceMs,
    )
    await browser.open(`/case/${seeded.caseId}/record`)
    await browser.waitForText(/front half off/i)
  }).timeout(90_000)
})
