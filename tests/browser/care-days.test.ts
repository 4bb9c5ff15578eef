import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendFromPage, sendRound, type SeededCase } from '../harness/seed-case'

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
      await sendFromPage(browser, onCase, 'reading', { id: 'skin-chin', value: chin }, undefined, at)
      await sendFromPage(browser, onCase, 'reading', { id: 'skin-occiput', value: 'intact' }, undefined, at)
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
})
