import { expect } from 'chai'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Key } from 'selenium-webdriver'
import sharp from 'sharp'
import { openFolds, signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { usualFigure } from '../harness/cases/usual-figure'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser
const folder = mkdtempSync(join(tmpdir(), 'wren-files-'))
/** Taps and keys, but for digits, point, slash and the letters of units. */
let actions = 0

describe('the first half of the path in the browser', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
  })
  after(() => rmSync(folder, { recursive: true, force: true }))

  async function tap(role: string, name: string | RegExp): Promise<void> {
    actions++
    await browser.click(role, name)
  }

  async function askedNow(): Promise<string> {
    return browser.evaluate(`return document.querySelector('section[aria-label^="Reading:"] h2')?.textContent ?? ''`)
  }

  /** Types a reading into the field that already has the focus, and Enter. */
  async function enter(text: string): Promise<void> {
    await browser.find('textbox', /^Reading,/)
    const before = await askedNow()
    actions++
    await browser.press(text, Key.ENTER)
    await browser.driver.wait(
      async () => (await askedNow()) !== before || /All asked places are read/.test(await browser.text()),
      patienceMs,
      `${before} stays asked`,
    )
  }

  /** Opens a new case for a part of the body, on Measure. */
  async function openMeasure(part: string): Promise<void> {
    await browser.open('/')
    actions = 0
    await tap('link', 'New case')
    await browser.find('heading', 'Size up')
    await tap('button', part)
    await tap('link', 'Measure')
    await browser.find('textbox', /^Reading,/)
  }

  async function post(path: string, body = ''): Promise<number> {
    return (await fetch(`${server.panels.tape}${path}`, { method: 'POST', body })).status
  }
  const squeeze = (settings: object): Promise<number> => post('/state', JSON.stringify(settings))

  async function choose(label: string, path: string): Promise<void> {
    const input = await browser.driver.findElement({ xpath: `//label[contains(normalize-space(), "${label}")]//input[@type="file"]` })
    await input.sendKeys(path)
  }

  describe('time to plan', () => {
    it('is at most twelve actions for a below-knee slab', async () => {
      await openMeasure('left ankle')
      while (!/All asked places are read/.test(await browser.text())) {
        const asked = await askedNow()
        await enter(usualFigure(asked))
      }
      await tap('link', 'Choose the size')
      await browser.find('button', /^Slab width/)
      await browser.find('button', /^Slab length/)
      expect(actions).to.be.at.most(12)
    })

    it('is at most seven for a collar setting', async () => {
      await openMeasure('neck')
      await enter('3fw')
      await tap('link', /^Choose/)
      await browser.find('heading', 'Choose')
      const shown = await browser.text()
      if (!/Collar setting/.test(shown)) throw new Error(`no setting: ${shown.slice(0, 400)}`)
      expect(actions).to.be.at.most(7)
    })
  })

  describe('size up', () => {
    it('finds the part by a few letters and ranks what can be done', async () => {
      await browser.open('/new')
      await browser.type('textbox', /^Tap the body/, 'r wri')
      await browser.press(Key.ENTER)
      await browser.waitForText(/RIGHT\s+wrist/)
      await browser.find('heading', 'What can be done here')
      await browser.waitForText('Volar slab, forearm')
      await browser.click('checkbox', /Volar slab/)
      await browser.click('button', /stopped: show them/)
      await browser.waitForText('No cast is on here: nothing to open.')
      await browser.click('checkbox', /Opening a cast/)
      await browser.click('button', 'Compare 2')
      await browser.find('dialog', 'Side by side')
      await browser.click('button', 'Close')
    })

    it('turns with the patient: left and right swap on the back', async () => {
      const xOf = async (name: string): Promise<number> => (await (await browser.find('button', name)).getRect()).x
      expect(await xOf('left thigh')).to.be.greaterThan(await xOf('right thigh'))
      await browser.click('radio', 'Back')
      expect(await xOf('left thigh')).to.be.lessThan(await xOf('right thigh'))
    })

    it('says that a file is not a picture, and keeps a real one without its place', async () => {
      const text = join(folder, 'notes.jpg')
      writeFileSync(text, 'these are notes')
      await choose('photo', text)
      await browser.waitForText(/not a picture/)
      const photo = join(folder, 'ankle.jpg')
      await sharp({ create: { width: 900, height: 400, channels: 3, background: '#c9a' } })
        .withMetadata({ orientation: 6 })
        .jpeg()
        .toFile(photo)
      await choose('photo', photo)
      await browser.driver.wait(
        async () => (await browser.driver.findElements({ css: 'img[src^="/api/photos/"]' })).length === 1,
        patienceMs,
      )
      const size: [number, number] = await browser.evaluateAsync(
        `const [done] = arguments
       const img = document.querySelector('img[src^="/api/photos/"]')
       const look = () => done([img.naturalWidth, img.naturalHeight])
       if (img.complete && img.naturalWidth) look()
       else img.addEventListener('load', look)`,
      )
      expect(size[0]).to.be.lessThan(size[1])
    })

    it('says that 40 MB are too much', async () => {
      const large = join(folder, 'large.jpg')
      writeFileSync(large, Buffer.alloc(40 * 1024 * 1024, 1))
      await choose('photo', large)
      await browser.waitForText(/40 MB|too large|is the most/)
    })
  })

  describe('measure', () => {
    it('takes several readings in one line, and takes the last one back with one key', async () => {
      await openMeasure('left ankle')
      await browser.type('textbox', /^Reading,/, 'calf 37.2, ankle 9 1/4in')
      await browser.press(Key.ENTER)
      await browser.waitForText('37.2 cm')
      await browser.waitForText('23.5 cm')
      await browser.find('textbox', /^Reading,/)
      await browser.press(Key.BACK_SPACE)
      await browser.driver.wait(async () => !(await browser.text()).includes('23.5 cm'), patienceMs)
      expect(await browser.text()).to.include('37.2 cm')
    })

    it('pairs with the tape and takes the reading when its button is pressed', async () => {
      await openMeasure('left ankle')
      await squeeze({ value: 57.5, jitter: 0, batteryPercent: 80, lossShare: 0 })
      await browser.click('button', 'Pair the digital tape')
      await browser.find('region', 'Digital tape')
      await browser.waitForText('steady')
      const before = await askedNow()
      expect(await post('/hold')).to.equal(204)
      await browser.driver.wait(async () => (await askedNow()) !== before, patienceMs)
      await browser.waitForText('57.5 cm')
    })

    it('does not take an unsteady reading, and warns of a low battery', async () => {
      await squeeze({ jitter: 4, batteryPercent: 9 })
      await browser.waitForText('moving')
      expect(await (await browser.find('button', 'Take it')).isEnabled()).to.equal(false)
      await browser.waitForText('battery 9 %')
    })

    it('says so when the tape is unplugged in mid-reading, and takes nothing', async () => {
      const before = await askedNow()
      expect(await post('/unplug')).to.equal(204)
      await browser.waitForText('The tape is gone: nothing was taken')
      expect(await askedNow()).to.equal(before)
      await squeeze({ jitter: 0, batteryPercent: 80 })
      await browser.click('button', 'Pair again')
      await browser.find('region', 'Digital tape')
      await browser.click('button', 'Let go')
    })

    it('measures in a photo, and refuses a scale bar without length', async () => {
      await browser.click('button', 'Take back Slab path')
      await browser.click('button', /^Slab path/)
      await browser.click('button', 'From a photo')
      await browser.click('button', 'Use the demo drawing')
      await browser.waitForText('Say first how far the bar lies')
      expect(await (await browser.find('button', 'Take this reading')).isEnabled()).to.equal(false)
      await browser.click('radio', '5 cm')
      await browser.click('button', 'Add a point')
      await browser.find('slider', 'Point 3')
      await browser.type('textbox', 'Scale bar, cm', '0')
      await browser.waitForText('The scale bar must be from 0.1 to 200 cm')
      expect(await browser.query('button', 'Take this reading')).to.equal(null)
      const text = join(folder, 'notes.jpg')
      await choose('Another photo', text)
      await browser.waitForText(/not a picture that can be read/)
      await browser.type('textbox', 'Scale bar, cm', '10')
      await browser.click('button', 'Take this reading')
      await browser.find('button', 'Take back Slab path')
    })
  })

  describe('choose', () => {
    it('tries another width among those in stock, and shows what it changes', async () => {
      await openMeasure('left ankle')
      await browser.type('textbox', /^Reading,/, 'path 58, calf 38, ankle 25')
      await browser.press(Key.ENTER)
      await browser.waitForText('58 cm')
      await browser.click('link', /^Choose/)
      const slider = await browser.find('slider', 'Try another width in stock')
      await slider.sendKeys(Key.ARROW_LEFT)
      await browser.waitForText(/Coverage:.*→/)
      await browser.click('button', 'Back to the plan')
    })

    it('lays two schools side by side, and takes the other one', async () => {
      await openFolds(browser)
      await browser.click('button', 'Compare: Toe end')
      await browser.find('dialog', 'Toe end: two ways')
      await browser.waitForText('Slab length')
      await browser.click('button', /^Take /)
      await browser.driver.wait(async () => !(await browser.query('dialog', 'Toe end: two ways')), patienceMs)
    })

    it('takes from a place, sets aside on accepting, and says when something is gone', async () => {
      await (await browser.find('combobox', 'Stock from')).sendKeys('Plaster room')
      await browser.find('button', 'Look again')
      await browser.driver.wait(
        async () => (await (await browser.find('button', /Accept the plan/)).isEnabled().catch(() => false)) === true,
        patienceMs,
      )
      await browser.click('button', 'Accept the plan')
      await browser.find('heading', 'Make ready')
    })

    it('lets go of what it had set aside when the plan is dropped', async () => {
      const reserved = (): Promise<number> =>
        browser.evaluateAsync(
          `const [done] = arguments
         const run = async () => {
           const { places } = await (await fetch('/api/store')).json()
           const room = places.find((one) => one.name === 'Plaster room')
           const { lines } = await (await fetch('/api/store/' + room.id)).json()
           done(lines.filter((one) => /slab|padding|elastic/.test(one.itemCode)).reduce((sum, one) => sum + one.reserved, 0))
         }
         run()`,
        )
      const before = await reserved()
      expect(before).to.be.greaterThan(0)
      await browser.open((await browser.driver.getCurrentUrl()).replace(/^https?:\/\/[^/]+/, '').replace('make-ready', 'choose'))
      await browser.waitForText('Set aside at Plaster room')
      await browser.click('button', 'Drop the plan')
      await browser.find('combobox', 'Stock from')
      await browser.driver.wait(async () => (await reserved()) < before, patienceMs, 'it stays set aside')
    })

    it('takes what was set aside, item by item', async () => {
      await browser.click('button', 'Accept the plan')
      await browser.find('heading', 'From Plaster room')
      await browser.click('button', /^Taken: /)
      await browser.waitForText('taken')
    })
  })

  describe('the store', () => {
    it('finds, sorts, counts and receives', async () => {
      await browser.open('/store')
      await browser.click('radio', 'Plaster room')
      await browser.type('searchbox', 'Find an item or lot', 'elastic 10')
      await browser.driver.wait(async () => (await browser.driver.findElements({ css: 'tbody > tr' })).length === 1, patienceMs)
      await browser.click('button', /^elastic bandage, 10 cm/)
      const lot = await browser.find('textbox', /^Lot TS/)
      await lot.sendKeys('\uE009a\uE000', 'seven', Key.ENTER)
      await browser.waitForText('"seven" is not a count')
      await lot.sendKeys('\uE009a\uE000', '7', Key.ENTER)
      await browser.driver.wait(async () => /elastic bandage, 10 cm[\s\S]*\b7\b/.test(await browser.text()), patienceMs)
      await browser.click('button', 'Receive more')
      await browser.click('button', 'Put in the store')
      await browser.waitForText('Lot on the pack is missing')
      await browser.type('textbox', 'Lot on the pack', 'TS9001')
      await browser.type('textbox', 'How many', '2')
      await browser.click('button', 'Put in the store')
      await browser.find('textbox', /^Lot TS9001/)
    })

    it('shows the place that was asked for last, whichever answers first', async () => {
      await browser.open('/store')
      await browser.waitForText(/items kept here/)
      // Everything of the next place comes late.
      await browser.evaluate(
        `const real = window.fetch
         let isLate = true
         window.fetch = async (...asked) => {
           const wasLate = isLate && String(asked[0]?.url ?? asked[0]).includes('/api/store/')
           if (wasLate) window.lateAsked = true
           const answer = await real(...asked)
           if (wasLate) await new Promise((resolve) => setTimeout(resolve, 900)).then(() => (window.lateCame = true))
           return answer
         }
         window.onTime = () => (isLate = false)`,
      )
      await browser.click('radio', 'Emergency trolley')
      const has = (name: string) => (): Promise<boolean> => browser.evaluate(`return window[arguments[0]] === true`, name)
      await browser.driver.wait(has('lateAsked'), patienceMs)
      await browser.evaluate('window.onTime()')
      await browser.click('radio', 'Plaster room')
      await browser.waitForText(/items kept here/)
      await browser.driver.wait(has('lateCame'), patienceMs)
      await browser.waitForText(/elastic bandage, 10 cm/)
      expect(await browser.text()).to.match(/items kept here/)
    })

    it('goes from lot to lot on a phone', async () => {
      await browser.setViewport(390, 844)
      await browser.click('link', 'Count round')
      await browser.find('heading', 'Count round')
      await browser.waitForText(/1 of \d+/)
      await browser.click('button', 'Enter')
      await browser.waitForText('Count is missing')
      await browser.click('button', '4')
      await browser.click('button', 'Enter')
      await browser.waitForText(/2 of \d+/)
      await browser.click('button', /^Still/)
      await browser.waitForText(/3 of \d+/)
      await browser.setViewport(1280, 800)
    })

    it('shows bad rows of a file by line, for those who may import', async () => {
      await browser.driver.manage().deleteAllCookies()
      await signIn(browser, 'maren', server.password)
      await browser.open('/store')
      await browser.click('button', 'Import CSV')
      const file = join(folder, 'bad.csv')
      writeFileSync(file, 'item_code,lot,expires_on,count\r\nno-such-item,A1,,1\r\nplaster-slab/15,A2,,many\r\n')
      await (await browser.driver.findElement({ css: 'input[type=file]' })).sendKeys(file)
      await browser.waitForText('Nothing was imported')
      await browser.waitForText(/Line 2: .*not in the catalogue/)
      await browser.waitForText(/Line 3: count "many"/)
      writeFileSync(file, '\uFEFFitem_code;lot;expires_on;count\r\nplaster-slab/15;A2;2028-01-01;6\r\n')
      await (await browser.driver.findElement({ css: 'input[type=file]' })).sendKeys(file)
      await browser.waitForText('1 row taken')
    })
  })
})
