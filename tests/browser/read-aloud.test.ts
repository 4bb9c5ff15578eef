import { expect } from 'chai'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { seedCase, sendEvent, startRun, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase

/** A speaker in place of the browser’s: keeps what it is told to say, by which voice. */
const speaker = (voices: string): string => `
  window.said = []
  const speech = new EventTarget()
  speech.getVoices = () => ${voices}
  speech.speak = (words) => window.said.push([words.text, words.voice.name])
  speech.cancel = () => window.said.push(['(hush)', ''])
  Object.defineProperty(window, 'speechSynthesis', { value: speech })
  window.SpeechSynthesisUtterance = class { constructor(text) { this.text = text } }
`
const onNet = `{ name: 'Far', lang: 'en-GB', localService: false }`
const here = `{ name: 'Near', lang: 'en-GB', localService: true }`

describe('reading aloud, in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await startRun(browser, seeded)
  })

  let script: string | null = null
  const withVoices = async (voices: string): Promise<void> => {
    if (script) await browser.driver.sendAndGetDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier: script })
    const added = (await browser.driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source: speaker(voices),
    })) as unknown as { identifier: string }
    script = added.identifier
    await browser.open(`/case/${seeded.caseId}/apply`)
    await browser.find('region', /^Step /)
  }
  const said = async (): Promise<readonly string[]> =>
    ((await browser.evaluate('return window.said')) as [string, string][]).map(([text, voice]) => (voice ? `${voice}: ${text}` : text))

  it('is off until it is asked for, and then reads the step by a voice of the device alone', async () => {
    await withVoices(`[${onNet}, ${here}]`)
    expect((await said()).filter((one) => one !== '(hush)')).to.deep.equal([])
    await browser.click('button', 'Read aloud')
    await browser.driver.wait(async () => (await said()).some((one) => /^Near: Step 1\. /.test(one)), patienceMs, 'the step was not read')
    expect((await said()).join()).to.not.include('Far:')
  })

  it('is remembered, reads the next step when it comes, and says a step again when asked', async () => {
    await browser.driver.navigate().refresh()
    await browser.driver.wait(async () => (await said()).some((one) => /^Near: Step 1\. /.test(one)), patienceMs, 'it was not remembered')
    const before = (await said()).length
    await browser.click('button', 'Say it again')
    await browser.driver.wait(async () => (await said()).slice(before).some((one) => /^Near: Step 1\. /.test(one)), patienceMs)
    await browser.click('button', 'Done')
    await browser.driver.wait(
      async () => (await said()).some((one) => /^Near: Step 2\. /.test(one)),
      patienceMs,
      'the next step was not read',
    )
  })

  it('says the last minute of a timer', async () => {
    const runId: string = await browser.evaluateAsync(
      `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record.runs.at(-1).id))`,
      seeded.caseId,
    )
    const timer = { runId, timerId: 'set', label: 'Setting', minutes: 0.9, kind: 'set' }
    await sendEvent(browser, { type: 'case', id: seeded.caseId }, 'timer', timer)
    await browser.driver.wait(async () => (await said()).includes('Near: Setting: one minute left.'), patienceMs, 'the timer was not read')
  }).timeout(40_000)

  it('says so where the device has no voice of its own, and reads nothing', async () => {
    await withVoices(`[${onNet}]`)
    await browser.waitForText('This device has no voice of its own: nothing is read.')
    expect((await said()).filter((one) => one !== '(hush)')).to.deep.equal([])
  })

  it('a step is one line for a screen on the wall, and the address keeps it so', async () => {
    await browser.click('button', 'Back')
    await browser.find('region', /^Step 1 of/)
    await browser.waitForText('Prevents')
    await browser.click('button', 'One line')
    await browser.driver.wait(async () => !(await browser.text()).includes('Prevents'), patienceMs, 'the rest of the step is still there')
    await browser.driver.navigate().refresh()
    await browser.find('region', /^Step 1 of/)
    expect(await browser.text())
      .to.match(/Gloves on/)
      .and.not.include('Prevents')
    await browser.click('button', 'One line')
    await browser.waitForText('Prevents')
  })

  it('a step that wants something keeps its whole card', async () => {
    await browser.click('button', 'One line')
    await browser.driver.wait(async () => !(await browser.text()).includes('Prevents'), patienceMs)
    await browser.click('button', 'Done')
    await browser.find('region', /^Step 2 of/)
    await browser.waitForText('Prevents')
    await browser.click('button', 'One line')
  })

  it('is off again when it is wanted no longer', async () => {
    await browser.click('button', 'Read aloud')
    await browser.driver.navigate().refresh()
    await browser.find('region', /^Step /)
    expect(await (await browser.find('button', 'Read aloud')).getAttribute('aria-pressed')).to.equal('false')
  })
})
