import { expect } from 'chai'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { exampleOf } from '../harness/cases/example-cases'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

describe('incidents, lots and records of one patient, in the browser', () => {
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'maren', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 60)
    await sendApplied(browser, seeded, 50)
    await sendRound(browser, seeded, quietRound('leg-slab'), false, 5)
  })

  it('an incident is reported with its lot, and the recall of that lot finds who wears it', async () => {
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Report an incident')
    await browser.type('textbox', 'What happened, and what was done', 'broke')
    await browser.click('button', 'Keep the report')
    await browser.waitForText('What happened, and what was done is missing')
    await browser.type('textbox', 'What happened, and what was done', 'The slab cracked at the ankle, a new one was laid')
    await browser.click('button', 'Keep the report')
    await browser.waitForText('Harm is missing')
    await browser.click('radio', 'no harm')
    await browser.type('textbox', 'Lot of the device or material', 'PS-9917')
    await browser.click('button', 'Keep the report')
    await browser.open('/recall')
    await browser.click('button', 'Find who has it')
    await browser.waitForText('Lot is missing')
    await browser.type('textbox', 'Lot', 'PS-9917')
    await browser.click('button', 'Find who has it')
    await browser.waitForText('1 patient wears something of lot PS-9917 now, 0 did.')
    await browser.waitForText('named in an incident')
  }).timeout(60_000)

  it('a case file is read into a new case, and what is none is refused with its reason', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'case-'))
    const [good, bad] = [join(folder, 'case.json'), join(folder, 'bad.json')]
    writeFileSync(good, JSON.stringify({ ...exampleOf('leg-slab'), appliedAt: '2026-01-10T08:00:00Z' }))
    writeFileSync(bad, JSON.stringify({ ...exampleOf('leg-slab'), technique: 'magic' }))
    await browser.open('/new')
    await browser.find('button', 'From a case file')
    const input = await browser.driver.findElement({ css: 'input[aria-label="Case file"]' })
    await input.sendKeys(bad)
    await browser.waitForText('The technique "magic" is not known')
    await input.sendKeys(good)
    await browser.waitForText('Taken from the file: 6 readings and what is known of patient and injury. Left to you: when it was applied.')
    await browser.click('link', 'Measure')
    await browser.waitForText(/38[.,]7/)
  }).timeout(60_000)

  it('two records are merged with both names in sight, and it is undone', async () => {
    const title = async (): Promise<string> => (await browser.find('region', 'Patient')).getText()
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.click('button', 'The same patient as another record')
    await browser.click('button', 'Merge')
    await browser.waitForText('The other record is missing')
    await browser.type('searchbox', 'Find the other record', 'Jago Penrose')
    await browser.click('button', /^Jago Penrose-Lyle/)
    await browser.waitForText('Test leg-slab becomes Jago Penrose-Lyle')
    await browser.type('textbox', 'Reason', 'wristband read')
    await browser.click('button', 'Merge')
    await browser.waitForText(/Was Test leg-slab until .*merged by Maren Oake, wristband read/)
    expect(await title()).to.include('Jago Penrose-Lyle')
    await browser.click('button', 'Undo the merge')
    await browser.type('textbox', 'Reason', 'another person of that name')
    await browser.click('button', 'Undo it')
    await browser.driver.wait(async () => (await title()).includes('Test leg-slab'), patienceMs)
  }).timeout(60_000)
})
