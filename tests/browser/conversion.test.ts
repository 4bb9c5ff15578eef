import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/** A thigh from the roadside to the ward: one story over two devices. */
describe('a field splint changed for the ward’s traction, in the browser', () => {
  let field: SeededCase
  let wardCase: string
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    field = await seedCase(browser, 'pole-traction')
    await sendRound(browser, field, quietRound('pole-traction', { restPain: 7 }), true, 100)
    await sendApplied(browser, field, 89)
    await sendRound(browser, field, quietRound('pole-traction', { restPain: 4 }), false, 3)
  })
  const inHand = async (): Promise<string> => /case\/([^/]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? ''
  const kept = <T>(caseId: string, field: string): Promise<T> =>
    browser.evaluateAsync<T>(
      `const [id, field, done] = arguments
       fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record?.[field]))`,
      caseId,
      field,
    )

  it('begins the definitive device from the one that is on, with its readings and their times', async () => {
    await browser.open(`/case/${field.caseId}/watch`)
    await browser.click('button', /^All about /)
    await browser.click('button', 'Another device')
    await browser.find('dialog', 'Another device')
    await browser.click('radio', /^Suspended ring/)
    await browser.click('button', 'Begin')
    await browser.driver.wait(async () => (await inHand()) !== field.caseId, patienceMs)
    wardCase = await inHand()
    await browser.find('heading', 'Measure')
    await browser.find('navigation', 'Other devices on this patient')
    await browser.waitForText(/1 h 2\d min on/)
    await browser.driver.wait(async () => ((await kept<unknown[] | undefined>(wardCase, 'measurements')) ?? []).length > 0, patienceMs)
    expect(await kept(wardCase, 'replaces')).to.equal(field.caseId)
    const [theirs, ours] = [await kept<object[]>(field.caseId, 'measurements'), await kept<object[]>(wardCase, 'measurements')]
    expect(ours).to.deep.equal(theirs)
  }).timeout(60_000)

  it('takes the field device off as the new one goes on, and leaves one line on the Board', async () => {
    await sendApplied(browser, { ...field, caseId: wardCase }, 1)
    expect(await kept(field.caseId, 'replacedBy')).to.equal(wardCase)
    await browser.open('/')
    await browser.waitForText('Test pole-traction')
    const lines = await browser.evaluate<string[]>(
      `return [...document.querySelectorAll('main li a')].map((one) => one.getAttribute('href'))`,
    )
    expect(lines.filter((line) => line.includes(field.caseId))).to.deep.equal([])
    expect(lines.filter((line) => line.includes(wardCase))).to.have.length(1)
    await browser.open(`/case/${field.caseId}/watch`)
    await browser.waitForText('Changed for')
    await browser.waitUntilGone('button', 'Do the round')
  }).timeout(60_000)

  it('opens another injury of the same patient, who is known there', async () => {
    await browser.open(`/case/${wardCase}/watch`)
    await browser.click('button', /^All about /)
    await browser.click('button', 'Another device')
    await browser.click('radio', /^For another injury/)
    await browser.click('button', 'Begin')
    await browser.find('heading', 'Size up')
    await browser.waitForText('Test pole-traction')
    await browser.waitForText('side not set')
    const other = await inHand()
    await browser.driver.wait(async () => (await kept(other, 'episodeId')) === field.episodeId, patienceMs)
    expect(await kept(other, 'injuryId')).to.not.equal(field.injuryId)
  }).timeout(60_000)
})
