import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendRound } from '../harness/seed-case'

/** Share of the screen times distance that may move by itself while a page comes: a word of the shell, no more. */
const mostShift = 0.01

/** What moved on a page since it was opened without being asked, with the parts that moved. */
async function shiftsOf(browser: TestBrowser): Promise<{ readonly sum: number; readonly parts: readonly string[] }> {
  return browser.evaluateAsync(`
    const done = arguments[arguments.length - 1]
    const parts = []
    let sum = 0
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) {
        sum += entry.value
        parts.push(entry.value.toFixed(4) + ' ' + entry.sources.map(({ node }) => node?.nodeName + ' ' + (node?.textContent ?? '').slice(0, 40)).join(' + '))
      }
    }).observe({ type: 'layout-shift', buffered: true })
    requestAnimationFrame(() => requestAnimationFrame(() => done({ sum, parts })))
  `)
}

describe('pages that do not move', () => {
  let browser: TestBrowser
  let caseId: string
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'maren', server.password)
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 30)
    await sendApplied(browser, seeded, 20)
    caseId = seeded.caseId
  })

  const stages = ['size-up', 'measure', 'choose', 'make-ready', 'check', 'watch', 'record']
  for (const [path, sign] of [
    ['/', 'live case'],
    ['/?view=rows', 'live case'],
    ['/store', 'items kept here'],
    ['/history', 'History'],
    ['/round', 'My round'],
    ['/hand-over', 'Hand-over'],
    ['/ward', 'Ward'],
    ['/settings', 'Team and places'],
    ...stages.map((stage) => [`/case/CASE/${stage}`, 'Test leg-slab'] as const),
  ] as const) {
    it(`${path}: nothing moves under a thumb while it comes`, async () => {
      await browser.open(path.replace('CASE', caseId))
      await browser.waitForText(sign)
      const { sum, parts } = await shiftsOf(browser)
      expect(sum, parts.join('\n')).to.be.at.most(mostShift)
    }).timeout(40_000)
  }
})
