import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { draftIsKept } from '../harness/kept'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase

describe('make ready in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await browser.open(`/case/${seeded.caseId}/choose`)
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
  })

  it('lays out by where things are fetched from, and keeps what was ticked', async () => {
    await browser.find('region', 'From the store')
    const sink = await browser.find('region', 'At the sink')
    expect(await sink.getText()).to.include('Bucket of water with thermometer')
    await browser.click('checkbox', /^Bucket of water/)
    await draftIsKept(browser, /bucket/i)
    await browser.driver.navigate().refresh()
    const again = await (await browser.find('region', 'At the sink')).findElement({ css: 'input' })
    await browser.driver.wait(async () => again.isSelected(), patienceMs)
  })

  it('moves odds, wet strip and heat at once with people, water, and a material that is tried', async () => {
    const strip = async (): Promise<string> => (await (await browser.find('image', /^Wetting ends at 0/)).getAttribute('aria-label')) ?? ''
    const before = await strip()
    expect(before).to.include('it sets at 5.0 min')
    await browser.click('button', 'Water: more')
    await browser.click('button', 'Water: more')
    await browser.waitForText('4.6 min')
    expect(await strip()).not.to.equal(before)
    await browser.click('radio', 'Plaster, slow')
    await browser.waitForText('Tried, not taken')
    expect(await strip()).to.include('it sets at 7.4 min')
    await browser.click('button', 'Back to the plan as it is')
    expect(await strip()).to.include('it sets at 4.6 min')
    await browser.click('button', 'Water: less')
    await browser.click('button', 'Water: less')
  })

  it('says in plain words what the heat means, and that it is a model', async () => {
    await browser.find('image', /Skin temperature over an hour: warmest 4\d\.\d °C/)
    await browser.waitForText('In this estimate the skin is warmest at')
    await browser.waitForText('not a measurement')
  })

  it('draws the map in workers with progress, can be cancelled, and goes on', async () => {
    // The map is drawn in less time than a click takes: its points wait until it was cancelled.
    await browser.evaluate(
      `const Real = window.Worker
       window.Worker = class extends Real {
         postMessage(job, ...rest) { if (job.kind !== 'points' || window.isReleased) super.postMessage(job, ...rest) }
       }`,
    )
    await browser.click('button', 'Map of water and layers')
    await browser.find('progressbar', 'Heat map')
    await browser.click('button', 'Cancel the map')
    await browser.evaluate('window.isReleased = true')
    await browser.find('button', 'Go on with the map')
    const half = await known()
    expect(half).to.be.below(224)
    await browser.click('button', 'Go on with the map')
    await browser.driver.wait(async () => (await known()) === 224, patienceMs, 'the map never ends')
    await browser.find('image', /this plan: 22 °C water, 10 layers/)
    const map = await browser.find('group', /^Heat map/)
    await map.sendKeys(Key.ARROW_RIGHT, Key.ARROW_DOWN)
    await browser.waitForText(/23 °C water, 12 layers: skin about 4\d\.\d °C at its warmest, /)
  }).timeout(60_000)

  it('finishes the map although a worker is killed in the middle', async () => {
    await browser.driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source: `window.madeWorkers = []
        const Real = window.Worker
        window.Worker = class extends Real { constructor(...args) { super(...args); window.madeWorkers.push(this) } }`,
    })
    await browser.driver.navigate().refresh()
    await browser.click('button', 'Map of water and layers')
    await browser.driver.wait(async () => (await known()) > 10, patienceMs)
    await browser.evaluate('window.madeWorkers.at(-1).terminate()')
    await browser.driver.wait(async () => (await known()) === 224, 40_000, 'the map never ends')
  }).timeout(90_000)

  it('says so when every worker dies, and keeps what is known', async () => {
    await browser.driver.navigate().refresh()
    await browser.evaluate(
      `const Real = window.Worker
       window.Worker = class extends Real { postMessage(job, ...rest) { if (job.kind === 'points') setTimeout(() => this.onerror?.(new Event('error')), 30); else super.postMessage(job, ...rest) } }`,
    )
    await browser.click('button', 'Map of water and layers')
    await browser.waitForText('The map stopped: a worker of the browser ended again and again')
    await browser.find('button', 'Go on with the map')
  }).timeout(60_000)

  it('links the template on both sheets, and says what is missing where there is nothing to cut', async () => {
    const link = await browser.find('link', 'Template 1:1, A4')
    const answer = async (href: string | null): Promise<[number, string]> =>
      browser.evaluateAsync(
        `const [href, done] = arguments
         fetch(href).then(async (one) => done([one.status, one.headers.get('content-type') + ' ' + (one.ok ? '' : await one.text())]))`,
        href,
      )
    expect(await answer(await link.getAttribute('href'))).to.deep.equal([200, 'application/pdf '])
    const empty = await seedCase(browser, 'frame-traction')
    const [status, text] = await answer(`/api/cases/${empty.caseId}/papers/template.pdf`)
    expect(status).to.equal(409)
    expect(text).to.include('There is nothing to cut in this plan yet')
  })

  /** Points of the map that are there. */
  async function known(): Promise<number> {
    return browser.evaluate(`return document.querySelectorAll('figure svg g text').length`)
  }
})
