import { expect } from 'chai'
import { casesAreKept } from '../harness/kept'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startCutLine, type CutLine } from '../harness/browser/cut-line'
import { enterOpen, openPlace } from '../harness/browser/fill-round'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, type SeededCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

const patients = 12
let server: LiveServer
let line: CutLine
let browser: TestBrowser

/** A night round of twelve patients on a phone, the line gone in the middle of it. */
describe('a night round, in the browser', () => {
  const cases: SeededCase[] = []
  before(async function () {
    this.timeout(120_000)
    server = await startLiveServer()
    line = await startCutLine(server.address)
    browser = await startBrowser(line.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    for (let bed = 1; bed <= patients; bed++) {
      const seeded = await seedCase(browser, 'leg-slab')
      cases.push(seeded)
      await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'place', { place: `Night ward, bed ${bed}` }, 2)
      await sendRound(browser, seeded, quietRound('leg-slab'), true, 90)
      await sendApplied(browser, seeded, 80)
      await sendRound(browser, seeded, quietRound('leg-slab'), false, 62)
    }
    await browser.setViewport(390, 844)
  })
  const status = async (): Promise<string> => (await browser.texts('main [role=status]'))[0] ?? ''
  const firstBed = async (): Promise<string> => (await browser.texts('ol[aria-label="Beds to go to"] li strong'))[0] ?? ''
  const until = (wanted: RegExp): Promise<unknown> =>
    browser.driver.wait(async () => wanted.test(await status()), patienceMs, `the round never said ${String(wanted)}`)
  const roundsOf = (seeded: SeededCase): Promise<readonly { outcome: string; at: string; mark?: string }[]> =>
    browser.evaluateAsync(
      `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then(({ episode }) => done(episode.rounds))`,
      seeded.caseId,
    )
  async function walkFirst(change?: () => Promise<void>): Promise<void> {
    await (await browser.driver.findElement({ css: 'ol[aria-label="Beds to go to"] li button' })).click()
    await browser.find('dialog', /^Round: /)
    await browser.click('button', 'Rest of both normal')
    await change?.()
    await enterOpen(browser)
    await browser.click('button', 'Judge this round')
    await browser.find('dialog', /^Judged: /)
  }

  it('chooses the places, once, and walks bed by bed', async () => {
    await browser.open('/round')
    await browser.waitForText('All places. Choose yours')
    await browser.click('button', 'Night ward')
    await until(/0 of 12 done/)
    expect(await firstBed()).to.equal('Night ward, bed 1')
    await walkFirst()
    await browser.click('button', 'Next bed')
    await until(/1 of 12 done/)
    expect(await firstBed()).to.equal('Night ward, bed 2')
  }).timeout(60_000)

  it('one is asleep, one refuses: both stay owed, with why', async () => {
    for (const [outcome, bed] of [
      ['Asleep', 3],
      ['Refused', 4],
    ] as const) {
      await browser.clickAt('ol[aria-label="Beds to go to"] li button', 1)
      await browser.click('radio', outcome)
      // Asleep says why by itself, where the limb is at no risk.
      if (outcome !== 'Asleep') {
        await browser.type('textbox', 'Reason', `said at the bed of ${bed - 1}`)
        await browser.click('button', 'Record it')
      }
      await browser.driver.wait(async () => (await firstBed()) === `Night ward, bed ${bed}`, patienceMs)
    }
    await browser.driver.wait(async () => (await roundsOf(cases[2]!)).some((round) => round.outcome === 'refused'), patienceMs)
    expect((await roundsOf(cases[1]!)).map((round) => round.outcome)).to.include('asleep')
  }).timeout(60_000)

  it('goes on without a line: one urgent, one entered late; nothing is lost', async () => {
    const isHere = (): Promise<boolean> =>
      casesAreKept(
        browser,
        cases.slice(3).map((one) => one.caseId),
      )
    await browser.driver.wait(isHere, patienceMs, 'the beds were not kept on the device')
    await line.cut()
    await walkFirst(async () => {
      await openPlace(browser, 'pulse')
      await browser.evaluate(
        `const pulse = document.querySelector('[role=group][aria-label="Pulse, left"]')
         const button = [...pulse.querySelectorAll('button')].find((one) => one.textContent.startsWith('absent'))
         button.scrollIntoView({ block: 'center' }); button.click()`,
      )
      await openPlace(browser, 'end')
    })
    await browser.waitForText('Urgent: ')
    await browser.find('link', 'What to do')
    await browser.waitForText('NOT sent: phone if urgent')
    await browser.click('button', 'Next bed')
    expect(await firstBed()).to.equal('Night ward, bed 5')
    await walkFirst(async () => {
      await browser.evaluate(
        `const select = [...document.querySelectorAll('select')].find((one) => one.offsetParent)
         select.scrollIntoView({ block: 'center' })
         Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(select, '45')
         select.dispatchEvent(new Event('change', { bubbles: true }))`,
      )
    })
    await browser.click('button', 'Next bed')
    await line.mend()
    await browser.driver.wait(async () => (await roundsOf(cases[4]!).catch(() => [])).length === 3, patienceMs)
    const urgent = (await roundsOf(cases[3]!)).at(-1)
    expect(urgent?.outcome).to.equal('done')
    const late = (await roundsOf(cases[4]!)).at(-1)
    expect((Date.now() - Date.parse(late!.at)) / 60_000).to.be.within(44, 48)
  }).timeout(120_000)

  it('hands over what the night found, on the screen and on paper', async () => {
    await browser.open('/hand-over?place=Night+ward')
    await browser.waitForText('12 patients, the worst first')
    const text = await browser.text()
    expect(text).to.match(/no pulse felt/)
    const paper: number = await browser.evaluateAsync(
      `const [done] = arguments; fetch('/api/hand-over.pdf?place=Night+ward&zone=Etc/UTC').then((one) => done(one.status))`,
    )
    expect(paper).to.equal(200)
  }).timeout(40_000)
})
