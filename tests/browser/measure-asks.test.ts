import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'
import { seedCase, sendPatient, type SeededCase } from '../harness/seed-case'

describe('what is asked before a device is sized', () => {
  let browser: TestBrowser
  const recordOf = (
    seeded: SeededCase,
  ): Promise<{ technique: string; episode: { patient: { massKg: number | null; isMassEstimated: boolean } } }> =>
    browser.evaluateAsync(
      `const done = arguments[1]
       fetch('/api/cases/' + arguments[0]).then((one) => one.json()).then(({ record, episode }) => done({ technique: record.technique, episode }))`,
      seeded.caseId,
    )
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'isolde', server.password)
  })

  it('a pull asks for the weight where it is measured, says why, and nothing is all read before', async () => {
    const seeded = await seedCase(browser, 'ring-traction')
    await sendPatient(browser, seeded, { massKg: null, isMassEstimated: false })
    await browser.setViewport(1280, 800)
    await browser.open(`/case/${seeded.caseId}/measure`)
    await browser.find('region', 'Of the patient: Weight')
    await browser.waitForText('1 to go')
    expect(await browser.text()).to.not.include('All asked places are read')
    await browser.type('textbox', 'Weight, kg', '900')
    await browser.click('button', 'Enter')
    await browser.waitForText('Weight must be from 0.3 to 650 kg: check the figure.')
    await browser.type('textbox', 'Weight, kg', '72')
    await browser.click('button', 'Enter')
    await browser.waitUntilGone('region', 'Of the patient: Weight')
    await browser.driver.wait(async () => (await recordOf(seeded)).episode.patient.massKg === 72, patienceMs)
    expect((await recordOf(seeded)).episode.patient.isMassEstimated).to.equal(true)
    await browser.waitForText('All asked places are read')
    await browser.click('link', 'Choose the size')
    await browser.find('heading', 'Choose')
    expect(await browser.text()).to.not.include('Not sized yet')
  }).timeout(60_000)

  it('a device that is stopped is not what a case goes on with: the best that is allowed is chosen, and said', async () => {
    const seeded = await seedCase(browser, 'ring-traction', { isUnread: true })
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.find('group', 'Is any of this so?')
    const flags = await browser.evaluate<readonly string[]>(
      `return [...document.querySelectorAll('section[aria-labelledby=questions] > [role=group] button[aria-pressed]')].map((one) => one.innerText)`,
    )
    expect(flags, 'something would stop it').to.not.deep.equal([])
    const before = (await recordOf(seeded)).technique
    await browser.evaluate(`document.querySelector('section[aria-labelledby=questions] > [role=group] button[aria-pressed]').click()`)
    await browser.driver.wait(async () => (await recordOf(seeded)).technique !== before, patienceMs, `${flags[0]} changed nothing`)
    await browser.waitForText(/is stopped here: .+ is chosen instead\./)
  }).timeout(60_000)
})
