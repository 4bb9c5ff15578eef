import { expect } from 'chai'
import { techniques } from '#core/techniques/registry'
import { isLong } from '../harness/long'
import { techniqueIds } from '../harness/cases/example-cases'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { finishStep, shownStep } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendRound, startRun } from '../harness/seed-case'

/** The first technique of each part of the body but the leg, whose slab is walked by hand elsewhere; the core walks them all. */
const onePerBody = (['arm', 'neck', 'trunk'] as const).map(
  (body) => techniques.find((technique) => [technique.bodyRegion].flat().includes(body))?.id ?? body,
)

let server: LiveServer
let browser: TestBrowser

describe('the run of a technique in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  for (const technique of isLong ? techniqueIds : onePerBody) {
    it(`${technique}: goes from the accepted plan through every step to Check, and is recorded whole`, async () => {
      const seeded = await seedCase(browser, technique)
      await sendRound(browser, seeded, quietRound(technique), true)
      await startRun(browser, seeded)
      const seen: string[] = []
      for (let count = 0; count < 40; count++) {
        const shown = await shownStep(browser)
        if (!shown) break
        seen.push(shown.split(':')[0] ?? '')
        if (/circulation, feeling and movement again/.test(shown)) await sendRound(browser, seeded, quietRound(technique), false)
        await finishStep(browser)
      }
      expect(seen.length).to.be.greaterThan(8)
      expect(new Set(seen).size, 'no step comes up twice').to.equal(seen.length)
      await browser.find('heading', 'Check')
      await browser.open(`/case/${seeded.caseId}/record`)
      await browser.find('heading', 'Steps')
      const lines = await browser.driver.findElements({ css: '[aria-labelledby="record-steps"] li' })
      expect(lines).to.have.length(seen.length)
      expect(await browser.text()).not.to.include('Deviations')
    }).timeout(120_000)
  }
})
