import { expect } from 'chai'
import { openFolds, signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, sendRound, startRun, quietRound, type SeededCase } from '../harness/seed-case'
import { finishStep } from '../harness/cases/run-steps'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/**
 * Puts something between the page and the server, as a bad line or a sick server would be.
 * @param body of `(url, init, pass) => Response`, JavaScript in the page; `pass()` asks the real server
 */
async function stand(between: string): Promise<void> {
  await browser.evaluate(
    `window.__fetch ??= window.fetch
     const between = new Function('url', 'init', 'pass', arguments[0])
     window.fetch = (url, init) => Promise.resolve(between(String(url), init ?? {}, () => window.__fetch(url, init)))`,
    between,
  )
}
const clear = (): Promise<unknown> => browser.evaluate('if (window.__fetch) window.fetch = window.__fetch')
/** As the browser says when a network is there again. */
const lineIsBack = (): Promise<unknown> => browser.evaluate("window.dispatchEvent(new Event('online'))")
const answer = (status: number): string =>
  `new Response(JSON.stringify({ type: '', title: '', status: ${status}, detail: 'no' }), { status: ${status}, headers: { 'content-type': 'application/json' } })`
const isEvent = "url.endsWith('/api/events')"

describe('the line to the server in the browser', () => {
  let seeded: SeededCase
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await browser.open(`/case/${seeded.caseId}/size-up`)
    await browser.find('heading', 'Size up')
  })
  afterEach(clear)

  const pickSwelling = (name: string): Promise<void> => browser.click('radio', name)
  const swellingKept = async (): Promise<string> =>
    browser.evaluateAsync(
      `const [id, injury, done] = arguments
       ;(window.__fetch ?? fetch)('/api/cases/' + id).then((one) => one.json()).then((one) => done(one.episode.injuries[injury].swelling))`,
      seeded.caseId,
      seeded.injuryId,
    )

  for (const [what, status, words] of [
    ['a server with a fault', 500, 'The server has trouble; 1 kept here'],
    ['a server that is busy', 503, 'The server has trouble; 1 kept here'],
    ['a door that is shut', 502, 'The server has trouble; 1 kept here'],
    ['too many requests', 429, 'The server has trouble; 1 kept here'],
  ] as const) {
    it(`${what} is said in words, and what was entered goes when it is over`, async () => {
      const [from, to] = (await swellingKept()) === 'marked' ? ['marked', 'mild'] : ['mild', 'marked']
      await stand(`return ${isEvent} ? ${answer(status)} : pass()`)
      await pickSwelling(to)
      await browser.waitForText(words)
      expect(await swellingKept()).not.to.equal(to, `kept was ${from}`)
      await clear()
      await lineIsBack()
      await browser.driver.wait(async () => (await swellingKept()) === to, patienceMs, 'it never went')
    })
  }

  it('no line is told apart from a server in trouble', async () => {
    await stand(`return ${isEvent} ? Promise.reject(new TypeError('no network')) : pass()`)
    await pickSwelling('moderate')
    await browser.waitForText('No connection; 1 kept here')
    await clear()
    await lineIsBack()
    await browser.driver.wait(async () => (await swellingKept()) === 'moderate', patienceMs, 'it never went')
  })

  it('says so when the browser does, before anything is entered', async () => {
    const offline = (isOff: boolean): Promise<unknown> =>
      browser.driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline: isOff,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      })
    await offline(true)
    await browser.waitForText('No connection')
    await offline(false)
    await browser.driver.wait(async () => !(await browser.text()).includes('No connection'), patienceMs, 'it stays')
  })

  it('an entry without an answer is said to be on its way, and is kept', async () => {
    const [from, to] = (await swellingKept()) === 'marked' ? ['marked', 'mild'] : ['mild', 'marked']
    await stand(`return ${isEvent} ? new Promise((resolve) => setTimeout(() => resolve(pass()), 9000)) : pass()`)
    await pickSwelling(to)
    await browser.waitForText('No answer yet; 1 kept here')
    expect(await swellingKept(), from).not.to.equal(to)
    await browser.driver.wait(async () => (await swellingKept()) === to, patienceMs, 'it never went')
    await browser.driver.wait(async () => !(await browser.text()).includes('No answer yet'), patienceMs, 'it stays')
  }).timeout(60_000)

  it('what the server keeps failing at is put aside and shown, and everything else goes on', async () => {
    await stand(`return ${isEvent} && String(init.body).includes('"kind":"injury"') ? ${answer(500)} : pass()`)
    await pickSwelling('mild')
    await browser.waitForText('The server has trouble; 1 kept here')
    // Entries of the case go meanwhile.
    await openFolds(browser)
    let tries = 0
    await browser.driver.wait(
      async () => {
        if (await browser.query('dialog', /^Not sent/)) return true
        const position = await browser.query('button', tries++ % 2 === 0 ? /^Face down/ : /^On the back/)
        if (position) await browser.driver.executeScript('arguments[0].click()', position)
        await lineIsBack()
        return false
      },
      patienceMs,
      'it was never put aside',
    )
    await browser.find('dialog', 'Not sent: the server fails at this')
    await clear()
    await browser.click('button', 'Keep it and try again')
    await browser.driver.wait(async () => (await swellingKept()) === 'mild', patienceMs, 'it never went')
  })

  it('a figure outside its range is refused at the field, with the range', async () => {
    await browser.open(`/case/${seeded.caseId}/choose`)
    await browser.click('button', /^Slab layers/)
    await browser.click('button', 'Overrule this number')
    await browser.waitForText('A whole number from 1 to 30 layers.')
    await browser.type('textbox', 'Reason', 'tried by hand')
    for (const [typed, said] of [
      ['1000000', 'Slab layers must be a whole number from 1 to 30 layers, not 1000000'],
      ['7.5', 'Slab layers must be a whole number from 1 to 30 layers, not 7.5'],
      ['18, 30, 45', '"18, 30, 45" is not a figure'],
      ['many', '"many" is not a figure'],
    ] as const) {
      await browser.type('textbox', 'Your value (layers)', typed)
      await browser.click('button', 'Overrule it')
      await browser.waitForText(said)
    }
    await browser.click('button', 'Leave as it is')
  })

  it('a step that is done does not come back while its answer is slow and others write', async () => {
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
    await startRun(browser, seeded)
    // Every answer to an event comes late, after the live stream has told of it; the case itself is read at once.
    await stand(`return ${isEvent} ? pass().then((one) => new Promise((done) => setTimeout(() => done(one), 1200))) : pass()`)
    const seen: number[] = []
    await browser.evaluate(
      `window.__steps = []
       new MutationObserver(() => {
         const region = [...document.querySelectorAll('[aria-label^="Step "]')][0]
         const number = Number(/Step (\\d+) of/.exec(region?.getAttribute('aria-label') ?? '')?.[1])
         if (number && window.__steps.at(-1) !== number) window.__steps.push(number)
       }).observe(document.body, { subtree: true, childList: true, attributes: true })`,
    )
    for (let step = 0; step < 4; step++) await finishStep(browser)
    await browser.driver.wait(async () => !(await browser.text()).includes('Sending…'), patienceMs, 'it never went')
    seen.push(...((await browser.evaluate('return window.__steps')) as number[]))
    expect(seen.length).to.be.greaterThan(2)
    expect(seen).to.deep.equal([...seen].sort((a, b) => a - b))
  })
})
