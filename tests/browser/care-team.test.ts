import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, sendApplied, sendEvent, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase
let secret: SeededCase

describe('care teams, in the browser', () => {
  before(async () => {
    server = await startLiveServer({ WREN_CARE_TEAM: '1' })
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    secret = await seedCase(browser, 'leg-slab')
    await sendApplied(browser, secret, 50)
    seeded = await seedCase(browser, 'pole-traction')
    await sendApplied(browser, seeded, 50)
    await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'place', { place: 'Ward B, Bed 3' }, 2)
  })

  it('lets a clinician mark a record confidential, with a reason', async () => {
    await browser.open(`/case/${secret.caseId}/size-up`)
    await browser.click('button', 'Mark confidential')
    await browser.type('textbox', 'Reason', 'a colleague of the ward')
    await browser.click('button', 'Mark it')
    await browser.waitForText('Confidential since Isolde Quill said so: a colleague of the ward')
  }).timeout(60_000)

  it('asks a reader from elsewhere why in two taps, and opens the record', async () => {
    browser = await startBrowser(server.address)
    await browser.setViewport(390, 844)
    await signIn(browser, 'maren', server.password)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.waitForText('You are outside this patient’s care team')
    expect(await browser.query('region', 'Patient'), 'nothing of the patient is shown yet').to.equal(null)
    await browser.click('button', 'Open the record')
    await browser.waitForText('Why is missing')
    await browser.click('radio', 'I was called to this patient')
    await browser.click('button', 'Open the record')
    await browser.find('region', 'Patient')
  }).timeout(60_000)

  it('shows initials of the confidential patient on the Board, and asks why before that record opens', async () => {
    await browser.open('/')
    await browser.waitForText('T.L.')
    expect(await browser.text()).not.to.include('Test leg-slab')
    await browser.open(`/case/${secret.caseId}/watch`)
    await browser.waitForText('This record is confidential')
  }).timeout(60_000)

  it('shows leads under Ward who opened a record, and why', async () => {
    await browser.open('/ward')
    await browser.waitForText('Opened from outside the care team')
    await browser.waitForText(/I was called to this patient/)
    await browser.waitForText(/Ward B, Bed 3/)
  }).timeout(60_000)
})
