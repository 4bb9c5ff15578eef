import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { v7 as uuidv7 } from 'uuid'
import { openFolds, signInAtForm, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { draftIsKept, leaveWaiting } from '../harness/kept'
import { itAtLength } from '../harness/long'
import { bounceIsOver } from '../harness/browser/waits'
import { seedCase, type SeededCase } from '../harness/seed-case'
import { enterOpen } from '../harness/browser/fill-round'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser

/** Opens a new case on the injured left ankle, ready to measure. */
async function startCase(): Promise<string> {
  await browser.open('/new')
  await browser.click('button', 'left ankle')
  await browser.click('radio', 'malleolar fracture')
  await browser.click('radio', 'moderate')
  const url = await browser.driver.getCurrentUrl()
  return url.replace(/^.*\/case\//, '').replace(/\/.*$/, '')
}

/** What the Measure screen asks for now; empty while it changes. */
async function askedNow(): Promise<string> {
  return browser.evaluate(`return document.querySelector('section[aria-label^="Reading:"] h2')?.textContent ?? ''`)
}

/** Types readings one after another, each taken with Enter, in the order in which they are asked. */
async function takeReadings(...readings: string[]): Promise<void> {
  for (const reading of readings) {
    await browser.find('textbox', /^Reading,/)
    const before = await askedNow()
    await browser.type('textbox', /^Reading,/, reading)
    await browser.press(Key.ENTER)
    await browser.driver.wait(async () => !['', before].includes(await askedNow()), patienceMs, `${before} stays asked`)
  }
}

/** Fills a round: everything normal, then what differs, then sends it. */
async function fillRound(form: RegExp, submit: string, changes: readonly [string, string][] = []): Promise<void> {
  await browser.find('form', form)
  await browser.click('button', 'Rest of both normal')
  for (const [group, word] of changes) {
    const cell = await browser.find('group', group)
    const buttons = await cell.findElements({ css: 'button' })
    for (const button of buttons) {
      if ((await button.getText()).split('\n')[0] === word) {
        await browser.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button)
        await button.click()
      }
    }
  }
  await enterOpen(browser)
  await browser.click('button', submit)
}

async function heightAndWeight(): Promise<void> {
  await openFolds(browser)
  await browser.type('textbox', 'Height, cm', '171')
  await browser.type('textbox', 'Weight, kg', '70')
  await browser.click('button', 'Keep')
  await browser.waitForText('70 kg')
}

/** A press of the pedal or of a key that stands for it; presses closer together than this count as one. */
async function pedal(key: string): Promise<void> {
  await bounceIsOver(browser)
  await browser.press(key)
}

describe('a back slab in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
  })

  describe('signing in', () => {
    it('says what is wrong and keeps the name', async () => {
      await browser.open('/')
      await browser.click('button', 'Sign in')
      await browser.waitForText('Name is missing')
      await browser.type('textbox', 'Name', 'isolde')
      await browser.type('textbox', 'Password', 'wrong')
      await browser.click('button', 'Sign in')
      await browser.waitForText('Name and password do not match')
      expect(await (await browser.find('textbox', 'Name')).getAttribute('value')).to.equal('isolde')
    })

    it('opens the Board, worst case first', async () => {
      await signInAtForm(browser, 'isolde', server.password)
      await browser.waitForText('Penrose-Lyle')
      const shown = await browser.texts('ul[aria-label^="Live cases"] > li')
      const place = (pattern: RegExp): number => shown.findIndex((text) => pattern.test(text))
      expect(place(/Lowenna Pascoe-Bray[\s\S]*Urgent/)).to.equal(0)
      expect(place(/Penrose-Lyle[\s\S]*Review now/)).to.be.within(1, place(/Tamsyn Hollow[\s\S]*late/))
    })
  })

  describe('one back slab, from the tape to the first check', () => {
    let caseId: string

    it('is ready to measure once side and region are chosen, before any name', async () => {
      await browser.open('/new')
      await browser.find('heading', 'Size up')
      expect(await (await browser.find('button', 'Choose region and side')).isEnabled()).to.equal(false)
      caseId = await startCase()
      await heightAndWeight()
      await browser.click('link', 'Measure')
      await browser.find('heading', 'Slab path')
      await browser.waitForText('on the RIGHT leg, the sound one')
    })

    it('redraws the limb in the frame in which a reading changes', async () => {
      await takeReadings('58')
      await browser.find('heading', 'Ankle girth')
      await browser.waitForText('on the LEFT leg, the injured one')
      const input = await browser.find('textbox', /^Reading,/)
      const outline = (): Promise<string> =>
        browser.evaluate('return document.querySelector("[role=img] path[fill^=url]")?.getAttribute("d") ?? ""')
      await input.sendKeys('25')
      const first = await outline()
      const changed: boolean = await browser.driver.executeAsyncScript(
        `const [input, done] = arguments
       const path = () => document.querySelector('[role=img] path[fill^=url]').getAttribute('d')
       const before = path()
       const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
       set.call(input, '29')
       input.dispatchEvent(new Event('input', { bubbles: true }))
       requestAnimationFrame(() => done(path() !== before))`,
        input,
      )
      expect(first).to.match(/^M/)
      expect(changed).to.equal(true)
      await input.sendKeys(Key.BACK_SPACE, Key.BACK_SPACE)
    })

    it('takes the readings with Enter and shows the limb as a list to screen readers', async () => {
      await takeReadings('25', '15 in', '34', '34.5', '24')
      await browser.waitForText('All asked places are read')
      expect(await browser.evaluate('return document.body.textContent')).to.include('calf girth 38.1 cm, measured, read on the left')
    })

    it('shows the plan with its working', async () => {
      await browser.click('link', 'Choose the size')
      await browser.click('button', /^Slab width/)
      await browser.find('dialog', 'Slab width')
      await browser.waitForText('Girth over padding less the gap to leave')
      await browser.waitForText('Room at the ankle')
      await browser.click('button', 'Close')
    })

    it('asks for a reason to overrule, and shows both values from then on', async () => {
      await browser.click('button', /^Slab width/)
      await browser.click('button', 'Overrule this number')
      await browser.type('textbox', 'Your value (cm)', '15')
      await browser.click('button', 'Overrule it')
      await browser.waitForText('Reason is missing')
      await browser.type('textbox', 'Reason', 'old scar on the calf')
      await browser.click('button', 'Overrule it')
      await browser.waitForText('computed 20 cm')
      await browser.click('button', /^Slab width/)
      await browser.waitForText('old scar on the calf')
      await browser.click('button', 'Close')
    })

    it('is accepted and made ready, and the forecast moves with the water', async () => {
      await browser.click('button', 'Accept the plan')
      await browser.waitForText('Odds of shaping each part in time')
      await browser.waitForText('5 min')
      for (let step = 0; step < 3; step++) await browser.click('button', 'Water: less')
      await browser.waitForText('5.6 min')
      for (let step = 0; step < 3; step++) await browser.click('button', 'Water: more')
      await browser.click('button', 'Start applying')
      await browser.find('region', 'Step 1 of 22')
    })

    it('goes on with Space and back with Backspace, but Space never confirms identity', async () => {
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 2 of 22')
      await pedal(Key.BACK_SPACE)
      await browser.find('region', 'Step 1 of 22')
      await pedal(Key.PAGE_DOWN)
      await browser.find('region', 'Step 2 of 22')
      await pedal(Key.SPACE)
      await pedal(Key.PAGE_DOWN)
      await browser.waitForText('LEFT')
      await browser.find('region', 'Step 2 of 22')
      await browser.click('button', 'Both identifiers and LEFT confirmed aloud')
      await browser.find('region', 'Step 3 of 22')
    })

    it('says what the patient is told, takes the position in its own words, and lays out in figures', async () => {
      await browser.waitForText('Say to the patient')
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 4 of 22')
      await browser.waitForText('On the back, the limb raised and supported above the chest.')
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 5 of 22')
      await browser.waitForText(/plaster slab, [\d.]+ cm wide, [\d.]+ cm long, 10 layers/)
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 6 of 22')
    })

    it('records the baseline where the step asks for it', async () => {
      expect(await (await browser.find('button', 'Checked and recorded')).isEnabled()).to.equal(false)
      await browser.click('button', 'Record the baseline')
      await fillRound(/Baseline round/, 'Record the baseline')
      await browser.waitForText('No warning in what was entered')
      await browser.click('button', 'Checked and recorded')
      await browser.find('region', 'Step 7 of 22')
    })

    it('wants a reason to skip, then starts the set timer from the wetting', async () => {
      // The foot is held, then padded.
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 8 of 22')
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 9 of 22')
      await browser.click('button', 'Skip')
      await browser.click('button', 'Skip it')
      await browser.waitForText('Reason is missing')
      await browser.type('textbox', 'Reason', 'felt while padding')
      await browser.click('button', 'Skip it')
      await browser.find('region', 'Step 10 of 22')
      await browser.click('button', 'Cut for the LEFT leg, gap checked')
      await browser.find('region', 'Step 11 of 22')
      await pedal(Key.SPACE)
      await browser.find('region', 'Step 12 of 22')
      await browser.waitForText(/Sets in\s*4:\d\d/)
    })

    it('resumes at the same step with the same timer after a reload', async () => {
      const readTimer = async (): Promise<number> => {
        const [, minutes, seconds] = /(\d+):(\d\d)/.exec(await (await browser.find('timer', 'Setting')).getText()) ?? []
        return Number(minutes) * 60 + Number(seconds)
      }
      const before = await readTimer()
      await browser.driver.navigate().refresh()
      await browser.find('region', 'Step 12 of 22')
      const after = await readTimer()
      expect(after).to.be.at.most(before)
      expect(before - after).to.be.below(30)
    })

    it('runs to its end and asks for the check', async () => {
      for (let step = 12; step <= 21; step++) {
        await browser.find('region', `Step ${step} of 22`)
        if (step === 16) await browser.click('button', 'Not needed')
        else await pedal(Key.SPACE)
        // A hold that ends before its clock asks why.
        const next = (): Promise<unknown> => browser.query('region', `Step ${step + 1} of 22`)
        const early = (): Promise<unknown> => browser.query('button', 'It is hard')
        await browser.driver.wait(async () => (await next()) ?? (await early()), patienceMs, `step ${step} stays`)
        if (await early()) await browser.click('button', 'It is hard')
      }
      await browser.find('region', 'Step 22 of 22')
      await browser.click('button', 'Record the check')
      await fillRound(/Round/, 'Judge this round', [['Pain at rest, left', '2']])
      await browser.click('button', 'Checked again and recorded')
      await browser.find('heading', 'Check')
      await browser.click('button', /^no$/)
      await browser.waitForText('Trim the end back.')
    })

    it('watches: the next round, the verdict, and a round that was not done stays due', async () => {
      await browser.click('link', 'Watch')
      await browser.waitForText(/Next round in\s*1[45] min/)
      await browser.click('button', 'Round not done')
      await browser.click('radio', 'Off the ward')
      await browser.type('textbox', 'Reason', 'in X-ray')
      await browser.click('button', 'Record it')
      await browser.waitForText('off ward: in X-ray')
      await browser.waitForText(/Next round in/)
    })

    it('turns urgent on a lost pulse and says what to do, opening first', async () => {
      await browser.click('button', 'Do the round')
      await fillRound(/^Round$/, 'Judge this round', [['Pulse, left', 'absent']])
      await browser.waitForText('Urgent: ')
      await browser.waitForText('Open the device down to the skin')
      await browser.open('/')
      await browser.waitForText('no pulse felt')
      const urgent = (await browser.texts('ul[aria-label^="Live cases"] > li')).slice(0, 2)
      for (const line of urgent) expect(line).to.include('Urgent')
      const links = await browser.evaluate<readonly string[]>(
        `return [...document.querySelectorAll('ul[aria-label^="Live cases"] > li')].slice(0, 2).map((line) => line.querySelector('a').href)`,
      )
      expect(links.some((link) => link.includes(caseId))).to.equal(true)
    })
  })

  /** A case on the injured left ankle, ready to measure. */
  const unreadCase = (): Promise<SeededCase> => seedCase(browser, 'leg-slab', { isUnread: true })

  describe('bad input', () => {
    it('says what is wrong with a reading and loses nothing', async () => {
      const { caseId } = await unreadCase()
      await browser.open(`/case/${caseId}/measure`)
      const input = await browser.find('textbox', /^Reading,/)
      for (const [typed, message] of [
        ['abc', 'has no name or no figure'],
        ['shin 38', 'is not among the places asked for'],
        ['12 13', 'is not a figure'],
        ['15 1/4', 'fraction without a unit'],
        ['90 deg', 'is a length'],
      ] as const) {
        await input.sendKeys('\uE009a\uE000', typed, Key.ENTER)
        await browser.waitForText(message)
        expect(await input.getAttribute('value')).to.equal(typed)
      }
      await browser.type('textbox', /^Reading,/, '0')
      await browser.press(Key.ENTER)
      await browser.find('heading', 'Ankle girth')
      await browser.click('button', /^Slab path/)
      await browser.waitForText('it must be above 0')
      await browser.click('button', 'Take back Slab path')
    })

    it('refuses the absurd, asks for a third reading, and takes a confirmed pair', async () => {
      await browser.click('button', /^Calf girth/)
      await browser.type('textbox', /^Reading,/, '380')
      await browser.press(Key.ENTER)
      await browser.click('button', /^Calf girth/)
      await browser.waitForText('Calf girth 380.0 cm is not used')
      await browser.click('button', 'Take back Calf girth')
      for (const typed of ['38', '41']) {
        await browser.click('button', /^Calf girth/)
        await browser.type('textbox', /^Reading,/, typed)
        await browser.press(Key.ENTER)
      }
      await browser.click('button', /^Calf girth/)
      await browser.waitForText('take a third')
    })

    it('keeps what was typed when the tab is closed', async () => {
      await browser.click('button', /^Below-knee girth/)
      await browser.find('heading', 'Below-knee girth')
      await browser.type('textbox', /^Reading,/, '33.3')
      await draftIsKept(browser, /33\.3/)
      await browser.driver.navigate().refresh()
      await browser.click('button', /^Below-knee girth/)
      await browser.driver.wait(
        async () => (await (await browser.find('textbox', /^Reading,/)).getAttribute('value')) === '33.3',
        patienceMs,
      )
    })

    itAtLength('stops a square ankle with a torn heel cord until the angle is ordered', async () => {
      const url = (await browser.driver.getCurrentUrl()).replace(/\/measure$/, '')
      await browser.driver.get(`${url}/size-up`)
      await browser.click('radio', 'achilles rupture')
      // A page that is left in the very moment of a tap keeps nothing of it: a hand is slower.
      const isKept = (): Promise<boolean> =>
        browser.evaluateAsync(
          `const [id, done] = arguments
           fetch('/api/cases/' + id).then((one) => one.text()).then((text) => done(text.includes('achilles-rupture')))`,
          url.split('/').at(-1) ?? '',
        )
      await browser.driver.wait(isKept, patienceMs, 'the injury was not kept')
      await browser.driver.get(`${url}/choose`)
      await browser.waitForText('Do not square the ankle')
      expect(await (await browser.find('button', /Accept the plan|Working out/)).isEnabled()).to.equal(false)
      await openFolds(browser)
      await browser.click('radio', 'As ordered')
      await browser.waitForText('The ordered ankle angle is missing')
      await browser.type('textbox', 'Ordered ankle angle, degrees', '700')
      await browser.press(Key.ENTER)
      await browser.waitForText('from 40 to 120')
      await browser.type('textbox', 'Ordered ankle angle, degrees', '110')
      await browser.waitForText('toes 20° down from square')
      await browser.press(Key.ENTER)
      await browser.driver.wait(async () => !(await browser.text()).includes('Do not square the ankle'), patienceMs)
    })

    itAtLength('stops on a pulse that the baseline could not find', async () => {
      const { caseId } = await unreadCase()
      await browser.open(`/case/${caseId}/size-up`)
      await browser.click('button', 'Record it now')
      await fillRound(/Baseline round/, 'Record the baseline', [['Pulse, left', 'absent']])
      await browser.waitForText('Call the senior first')
      await browser.waitForText('no pulse felt')
    })

    it('shows both sides when somebody else changed the case meanwhile', async () => {
      const { caseId } = await unreadCase()
      await browser.open(`/case/${caseId}/choose`)
      await browser.find('button', 'Accept the plan')
      await openFolds(browser)
      await browser.find('radio', 'Past the toes')
      await browser.driver.wait(async () => !(await browser.text()).includes('Sending…'), patienceMs)
      const status = await browser.evaluateAsync(
        `const [caseId, done] = arguments
       const run = async () => {
         const { csrf } = await (await fetch('/api/session')).json()
         const { version } = await (await fetch('/api/cases/' + caseId)).json()
         const event = { id: crypto.randomUUID(), stream: { type: 'case', id: caseId }, kind: 'options', v: 1, body: { options: { liner: 'wool' } }, at: new Date().toISOString(), offsetMs: 0, base: version }
         const answer = await fetch('/api/events', { method: 'POST', headers: { 'content-type': 'application/json', 'x-csrf-token': csrf }, body: JSON.stringify(event) })
         document.querySelector('input[type=radio][aria-label="Past the toes"]').click()
         done(answer.status)
       }
       run()`,
        caseId,
      )
      expect(status).to.equal(200)
      await browser.find('dialog', 'Changed meanwhile')
      await browser.waitForText('past toes')
      await browser.driver.navigate().refresh()
      await browser.find('dialog', 'Changed meanwhile')
      await browser.waitForText('past toes')
      await browser.click('button', 'Send mine again')
      await browser.driver.wait(async () => (await browser.find('radio', 'Past the toes')).isSelected(), patienceMs)
    })

    itAtLength('sends what was refused where it belongs, also when another case is open by then', async () => {
      const [{ caseId }, { caseId: other }] = [await unreadCase(), await unreadCase()]
      await browser.open(`/case/${other}/size-up`)
      await browser.find('heading', 'Size up')
      await browser.driver.wait(async () => !(await browser.text()).includes('Sending…'), patienceMs)
      const versionOf = (id: string): Promise<number> =>
        browser.evaluateAsync(
          `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then((one) => done(one.version))`,
          id,
        )
      const before = await versionOf(other)
      // As if it had been written without a connection, before somebody else changed the case.
      await leaveWaiting(browser, {
        id: uuidv7(),
        stream: { type: 'case', id: caseId },
        kind: 'options',
        v: 1,
        body: { options: { length: 'past-toes' } },
        at: new Date().toISOString(),
        offsetMs: 0,
        base: 0,
      })
      await browser.driver.navigate().refresh()
      await browser.find('dialog', 'Changed meanwhile')
      await browser.click('button', 'Send mine again')
      await browser.driver.wait(
        async () =>
          browser.evaluateAsync<boolean>(
            `const [id, done] = arguments
             fetch('/api/cases/' + id).then((one) => one.json()).then(({ record }) => done(record.options.length === 'past-toes'))`,
            caseId,
          ),
        patienceMs,
      )
      expect(await versionOf(other), 'the case that was open').to.equal(before)
      expect(await browser.query('dialog', 'Changed meanwhile')).to.equal(null)
    })
  })

  describe('without a connection', () => {
    it('keeps a reading on the device, says so, and sends it when the server is back', async () => {
      const { caseId } = await unreadCase()
      await browser.open(`/case/${caseId}/measure`)
      await browser.find('textbox', /^Reading,/)
      await browser.driver.wait(async () => !(await browser.text()).includes('Sending…'), patienceMs)
      const network = (offline: boolean) =>
        browser.driver.sendAndGetDevToolsCommand('Network.emulateNetworkConditions', {
          offline,
          latency: 0,
          downloadThroughput: -1,
          uploadThroughput: -1,
        })
      await browser.driver.sendAndGetDevToolsCommand('Network.enable', {})
      await network(true)
      await takeReadings('58')
      await browser.waitForText('No connection; 1 kept here')
      await browser.waitForText('58 cm')
      await browser.press(Key.ESCAPE)
      await browser.evaluate('document.activeElement.blur()')
      await browser.press('1')
      await browser.click('button', 'Record it now')
      await fillRound(/Baseline round/, 'Record the baseline')
      await browser.waitForText('NOT sent: phone if urgent')
      await network(false)
      await browser.driver.wait(async () => !/No connection|NOT sent/.test(await browser.text()), patienceMs)
      const stored = await browser.evaluateAsync(
        `const [id, done] = arguments; fetch('/api/cases/' + id).then((one) => one.json()).then((one) => done(one.record.measurements.length))`,
        caseId,
      )
      expect(stored).to.equal(1)
    })
  })
})
