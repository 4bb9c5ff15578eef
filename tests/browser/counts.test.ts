import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { openFolds, signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { countHands, type HandCount } from '../harness/browser/count-taps'
import { enterOpen } from '../harness/browser/fill-round'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { usualFigure } from '../harness/cases/usual-figure'
import { patienceMs } from '../harness/patience'
import { finishStep, shownStep, walkTo } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendApplied, sendEvent, sendRound, startRun } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let hands: { begin(): Promise<void>; count(): Promise<HandCount> }

/** How many taps and keys a job takes (issue: at the bedside): what is counted is what the page hears. */
describe('taps and keys, counted', function () {
  this.timeout(180_000)
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    hands = await countHands(browser)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })

  const askedNow = (): Promise<string> =>
    browser.evaluate(`return document.querySelector('section[aria-label^="Reading:"] h2')?.textContent ?? ''`)
  /** Every reading that is asked, each typed and taken by Enter. */
  async function measureAll(valueOf: (asked: string) => string): Promise<void> {
    for (let count = 0; count < 20; count++) {
      await browser.find('textbox', /^Reading,/)
      if (/All asked places are read/.test(await browser.text())) return
      const before = await askedNow()
      await browser.press(valueOf(before), Key.ENTER)
      await browser.driver.wait(
        async () => (await askedNow()) !== before || /All asked places are read/.test(await browser.text()),
        patienceMs,
        `${before} stays asked`,
      )
    }
  }
  /** A round that asks: the rest normal, then what one tap does not call normal. */
  async function quiet(submit: string): Promise<void> {
    await browser.click('button', 'Rest of both normal')
    await enterOpen(browser)
    await browser.click('button', submit)
  }
  async function baselineAndGoOn(): Promise<void> {
    await browser.click('button', 'Record the baseline')
    await browser.find('form', 'Baseline round')
    await quiet('Record the baseline')
    await browser.find('button', 'Checked and recorded')
  }

  it('a back slab from the first tap to the first judged round: 60 taps and 45 keys at most', async () => {
    await browser.open('/')
    await browser.find('heading', 'Board')
    await hands.begin()
    await browser.click('link', 'New case')
    await browser.click('button', 'left ankle')
    await browser.click('link', 'Measure')
    await measureAll(usualFigure)
    await browser.click('link', 'Choose the size')
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
    await browser.click('button', 'Start applying')
    await browser.find('region', /^Step 1 of/)
    await walkTo(browser, /before anything is on|Baseline|circulation, feeling and movement/i)
    await baselineAndGoOn()
    for (let count = 0; count < 30; count++) {
      if (await browser.query('button', 'Record the check')) break
      await finishStep(browser)
    }
    await browser.click('button', 'Record the check')
    await browser.find('form', 'Round')
    await quiet('Judge this round')
    await browser.waitForText('No warning in what was entered')
    const { taps, keys } = await hands.count()
    expect(taps, `${taps} taps, ${keys} keys`).to.be.at.most(60)
    expect(keys, `${taps} taps, ${keys} keys`).to.be.at.most(45)
  })

  it('frame traction from the Board to the pull taken: 25 taps at most', async () => {
    const seeded = await seedCase(browser, 'frame-traction')
    await sendRound(browser, seeded, quietRound('frame-traction'), true)
    await browser.open('/')
    await browser.find('heading', 'Board')
    await hands.begin()
    await browser.click('link', /Test frame-traction/)
    await browser.click('button', 'Accept the plan')
    await browser.find('heading', 'Make ready')
    await browser.click('button', 'Start applying')
    await browser.find('region', /^Step 1 of/)
    await walkTo(browser, /Ratchet/)
    await finishStep(browser)
    const { taps } = await hands.count()
    expect(taps).to.be.at.most(25)
  })

  it('a leg cast on a phone, laid out and measured, to the last step: 45 taps at most', async () => {
    const seeded = await seedCase(browser, 'leg-cast')
    await sendRound(browser, seeded, quietRound('leg-cast'), true)
    await browser.setViewport(390, 844)
    await startRun(browser, seeded)
    await hands.begin()
    for (let count = 0; count < 50; count++) {
      const shown = await shownStep(browser)
      if (shown === '' || (await browser.query('button', 'Record the check'))) break
      await finishStep(browser)
    }
    const { taps } = await hands.count()
    await browser.setViewport(1280, 800)
    expect(taps).to.be.at.most(45)
  })

  it('straps of a brace that are all the same: one tap, ten for the step at most', async () => {
    const seeded = await seedCase(browser, 'hinged-knee-brace')
    await sendRound(browser, seeded, quietRound('hinged-knee-brace'), true)
    await startRun(browser, seeded)
    await walkTo(browser, /\n[^]*Touched, then snug/)
    await hands.begin()
    await browser.evaluate(`document.querySelectorAll('[aria-label="All straps the same"] button')[2].click()`)
    await browser.driver.wait(
      () =>
        browser.evaluate<boolean>(
          `const straps = [...document.querySelectorAll('section[aria-label="Straps"] ol [role=group]')]
           return straps.length > 1 && straps.every((one) => one.querySelectorAll('button')[2].getAttribute('aria-pressed') === 'true')`,
        ),
      patienceMs,
    )
    expect((await hands.count()).taps).to.equal(1)
    await finishStep(browser)
    expect((await hands.count()).taps).to.be.at.most(10)
  })

  describe('at night, on a phone', () => {
    it('a quiet limb: 9 taps at most with both refills counted, and asleep: 2, without a key', async () => {
      for (const bed of [1, 2]) {
        const seeded = await seedCase(browser, 'volar-slab')
        await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'place', { place: `Counted ward, bed ${bed}` }, 2)
        await sendRound(browser, seeded, quietRound('volar-slab'), true, 90)
        await sendApplied(browser, seeded, 80)
      }
      await browser.setViewport(390, 844)
      await browser.open('/round')
      await browser.click('button', 'Counted ward')
      await browser.driver.wait(async () => /of 2 done/.test(await browser.text()), patienceMs)
      await hands.begin()
      await (await browser.driver.findElement({ css: 'ol[aria-label="Beds to go to"] li button' })).click()
      await browser.find('dialog', /^Round: /)
      await quiet('Judge this round')
      await browser.find('dialog', /^Judged: /)
      await browser.click('button', 'Next bed')
      expect((await hands.count()).taps).to.be.at.most(9)
      await browser.driver.wait(async () => /1 of 2 done/.test(await browser.text()), patienceMs)
      await hands.begin()
      await browser.clickAt('ol[aria-label="Beds to go to"] li button', 1)
      await browser.click('radio', 'Asleep')
      await browser.driver.wait(async () => /2 of 2 done/.test(await browser.text()), patienceMs)
      expect(await hands.count()).to.deep.equal({ taps: 2, keys: 0 })
    })

    it('where the limb is at risk it is asked whether to wake, before anybody is left asleep', async () => {
      const seeded = await seedCase(browser, 'leg-cast')
      await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'place', { place: 'Risk ward, bed 1' }, 2)
      await sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'flags', { flags: ['unresponsive'] }, 3)
      await sendRound(browser, seeded, quietRound('leg-cast'), true, 90)
      await sendApplied(browser, seeded, 80)
      await browser.open('/round')
      await browser.find('heading', 'My round')
      await browser.waitForText('My places: Counted ward')
      await openFolds(browser)
      await browser.click('button', 'Risk ward')
      await browser.driver.wait(async () => /Risk ward, bed 1/.test(await browser.text()), patienceMs)
      await browser.clickAt('ol[aria-label="Beds to go to"] li button', 1)
      await browser.click('radio', 'Asleep')
      await browser.waitForText('At risk: wake the patient and look.')
      await browser.click('button', 'Wake, and look now')
      await browser.find('dialog', /^Round: /)
    })
  })

  it('what a senior decided: one dialog for all that is urgent, with one’s own name', async () => {
    await browser.setViewport(1280, 800)
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 90)
    await sendApplied(browser, seeded, 80)
    await sendRound(browser, seeded, quietRound('leg-slab', { pulse: 'absent', colour: 'blue' }), false, 1)
    await browser.open(`/case/${seeded.caseId}/watch`)
    await browser.click('button', 'Answer as a senior')
    await browser.find('radio', 'I, Isolde Quill')
    await browser.click('radio', 'At the bedside')
    await browser.click('button', 'Leave it, until, because')
    await browser.type('textbox', 'Because', 'vascular team is on the way')
    await browser.click('button', 'Leave it')
    await browser.driver.wait(
      async () =>
        /^[1-9]$/.test(
          await browser.evaluateAsync<string>(
            `const [id, done] = arguments
             fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(String((record.seniorDecisions ?? []).length)))`,
            seeded.caseId,
          ),
        ),
      patienceMs,
    )
    await browser.waitForText('Settled by Isolde Quill')
  })
})
