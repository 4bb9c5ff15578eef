import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import { benches } from '#core/practice/benches'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { sampleOf } from '../harness/long'
import { startLiveServer } from '../harness/live-server'
import { seedCase } from '../harness/seed-case'
import { patienceMs } from '../harness/patience'

/** What the server holds that practice may not touch. */
const heldPaths = ['/api/board', '/api/places', '/api/history?words=']

describe('the benches, in the browser', () => {
  let browser: TestBrowser
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'teodor', server.password)
  })
  const search = (): Promise<string> => browser.evaluate<string>('return location.search')
  const waitForSearch = (wanted: RegExp): Promise<unknown> => browser.driver.wait(async () => wanted.test(await search()), patienceMs)
  const figure = async (label: string | RegExp): Promise<string> => {
    const rows = await browser.evaluate<readonly string[]>(
      `return [...document.querySelectorAll('table[aria-label="What follows"] tbody tr')].map((row) => row.innerText.replace(/\\s+/g, ' '))`,
    )
    return rows.find((row) => (typeof label === 'string' ? row.startsWith(label) : label.test(row))) ?? ''
  }
  const waitForFigure = (label: string, wanted: RegExp): Promise<unknown> =>
    browser.driver.wait(async () => wanted.test(await figure(label)), patienceMs, `${label} never said ${String(wanted)}`)
  const hold = async (name: string | RegExp): Promise<void> => {
    await browser.driver.executeScript('arguments[0].focus()', await browser.find('slider', name))
  }

  it('stand under Practice, one entry each, and say that there is no patient', async () => {
    await browser.open('/')
    await browser.click('link', 'Practice')
    await browser.find('heading', 'Practice')
    for (const bench of benches) await browser.find('link', new RegExp(`^${bench.name}`))
    await browser.waitForText('Practice: no patient')
  }).timeout(40_000)

  for (const bench of sampleOf(benches, 4)) {
    it(`${bench.name}: each control is turned by keys, moves what follows, and stands in the address`, async () => {
      await browser.open(`/practice/bench/${bench.id}`)
      await browser.find('heading', bench.name)
      await browser.find('table', 'What follows')
      for (const control of bench.controls) {
        if (control.kind === 'range') {
          const isAtEnd = control.usual >= control.greatest
          await hold(new RegExp(`^${control.label}`))
          await browser.press(isAtEnd ? Key.ARROW_LEFT : Key.ARROW_RIGHT)
        } else {
          const other = control.choices.find((choice) => choice.id !== control.usual)
          await browser.click('radio', other?.label ?? '')
        }
        await waitForSearch(new RegExp(`[?&]${control.id}=`))
      }
      const address = await search()
      await browser.open(`/practice/bench/${bench.id}${address}`)
      await browser.find('table', 'What follows')
      expect(await search()).to.equal(address)
      for (const control of bench.controls.filter((one) => one.kind === 'range')) {
        const value = new URLSearchParams(address).get(control.id)
        const slider = await browser.find('slider', new RegExp(`^${control.label}`))
        expect(await slider.getAttribute('value')).to.equal(value)
      }
    }).timeout(60_000)
  }

  it('the handle of the heat curve is moved by keys, and the figures at it follow', async () => {
    await browser.open('/practice/bench/heat')
    await waitForFigure('Skin at 12 min', /41\.0 °C/)
    await hold(/^Minutes after wetting/)
    await browser.press(Key.HOME)
    await waitForFigure('Skin at 0 min', /\d+\.\d °C/)
  }).timeout(40_000)

  it('shows how a figure came about when it is asked', async () => {
    await browser.open('/practice/bench/heat')
    await browser.click('button', 'Burn integral')
    await browser.waitForText('a burn from 0.53')
  }).timeout(40_000)

  it('pins A beside B with the differences, in the address too, and takes the pin out', async () => {
    await browser.open('/practice/bench/heat')
    await waitForFigure('Warmest skin', /41\.0 °C/)
    await browser.click('button', 'Pin this as A')
    await browser.open(`/practice/bench/heat${(await search()).replace('?', '?layers=20&')}`)
    await waitForFigure('Warmest skin', /41\.0 °C 4\d\.\d °C.*\+\d\.\d °C/)
    await browser.click('button', 'Take the pin out')
    await browser.driver.wait(async () => !(await browser.text()).includes('A, pinned'), patienceMs)
  }).timeout(40_000)

  it('names everything in the rig where no name lies over another, however it is turned, on a desk and on a phone', async () => {
    const met: string[] = []
    for (const turned of [
      '',
      '?counter=9&suspension=2',
      '?foot=30',
      '?mode=straight',
      '?pulley=30&mass=110',
      '?pulley=70&mass=50&foot=0',
    ]) {
      await browser.open(`/practice/bench/rig${turned}`)
      await browser.find('image', /The pull from the side/)
      for (const [width, height] of [
        [1280, 800],
        [390, 844],
      ] as const) {
        await browser.setViewport(width, height)
        const names = await browser.evaluate<readonly string[]>(
          `const texts = [...document.querySelectorAll('svg[aria-label^="The pull from the side"] text')].map((one) => [one.textContent, one.getBBox()])
           const { width, height } = document.querySelector('svg[aria-label^="The pull from the side"]').viewBox.baseVal
           const cut = texts.filter(([, box]) => box.x < -1 || box.x + box.width > width + 1 || box.y + box.height > height + 1).map(([name]) => name + ' is cut')
           return cut.concat(texts.flatMap(([name, a], index) => texts.slice(index + 1).flatMap(([other, b]) =>
             a.x < b.x + b.width - 0.5 && b.x < a.x + a.width - 0.5 && a.y + a.height * 0.2 < b.y + b.height * 0.8 && b.y + b.height * 0.2 < a.y + a.height * 0.8
               ? [name + ' over ' + other] : [])))`,
        )
        met.push(...names.map((one) => `${turned} at ${width}: ${one}`))
      }
    }
    await browser.setViewport(1280, 800)
    expect(met).to.deep.equal([])
  })

  it('balances the rig when it is asked', async () => {
    await browser.open('/practice/bench/rig?suspension=2')
    await waitForFigure('Lift', /the leg sags/)
    await browser.click('button', 'Balance by the weight')
    await waitForFigure('Lift', /in balance/)
    await waitForSearch(/suspension=5/)
  }).timeout(40_000)

  it('says what of an address it cannot use, and stands as usual there', async () => {
    await browser.open(`/practice/bench/heat?water=boiling&layers=${'9'.repeat(40)}&mood=grim&pin=water%3D-4`)
    await browser.waitForText('Not everything in the address could be used')
    const text = await browser.text()
    expect(text).to.include('Water cannot be “boiling”: it is 10 to 45 °C; 22 stands instead.')
    expect(text).to.include('mood is no control of this bench')
    await waitForFigure('Warmest skin', /°C/)
    await browser.open('/practice/bench/catapult')
    await browser.waitForText('The address names no bench')
  }).timeout(40_000)

  it('takes the figures of a live case, to read only', async () => {
    await seedCase(browser, 'leg-slab')
    await browser.open('/practice/bench/heat?layers=25&water=35')
    await waitForFigure('Warmest skin', /°C/)
    await browser.click('button', 'From a case')
    await browser.click('button', /^Test leg-slab/)
    // The plan of that case: 10 layers in water of 22 °C, as is usual here.
    await waitForSearch(/^$/)
    await waitForFigure('Warmest skin', /41\.0 °C/)
    await browser.open('/practice/bench/rig')
    await browser.click('button', 'From a case')
    await browser.click('button', /^Test leg-slab/)
    await browser.waitForText('takes nothing from this case')
  }).timeout(40_000)

  it('leaves nothing on the server: Board, store, history and every case are as they were', async () => {
    const held = (): Promise<string> =>
      browser.evaluateAsync<string>(
        `const done = arguments[1]; Promise.all(arguments[0].map((path) => fetch(path).then((one) => one.json()))).then((all) => done(JSON.stringify(all, (key, value) => (key === 'now' || key === 'at' ? undefined : value)).replace(/"\\d{4}-[^"]*Z"/g, '""')))`,
        heldPaths,
      )
    await browser.open('/practice')
    const before = await held()
    const sent = await browser.evaluate<number>(
      `window.sentCount = 0; const real = window.fetch; window.fetch = (...given) => { if ((given[1]?.method ?? 'GET') !== 'GET') window.sentCount++; return real(...given) }; return window.sentCount`,
    )
    expect(sent).to.equal(0)
    for (const bench of sampleOf(benches, 4)) {
      await browser.click('link', new RegExp(`^${bench.name}`))
      await browser.find('table', 'What follows')
      await browser.click('button', 'Pin this as A')
      await browser.click('button', 'As usual')
      await browser.click('link', 'All benches')
      await browser.find('heading', 'Practice')
    }
    expect(await browser.evaluate<number>('return window.sentCount')).to.equal(0)
    expect(await held()).to.equal(before)
  }).timeout(60_000)
})

describe('a station alone, in the browser', () => {
  let browser: TestBrowser
  before(async () => {
    const server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'teodor', server.password)
  })
  const doneCount = (): Promise<number> =>
    browser.evaluate<number>(`return document.querySelectorAll('section[aria-labelledby="done"] li').length`)

  it('begins with what is given, and the clock runs when it is started', async () => {
    await browser.open('/practice')
    await browser.click('link', 'Back slab, leg')
    await browser.waitForText('Apply: back slab, leg')
    expect(await browser.text()).to.include('Practice: no patient')
    await browser.click('button', 'Start the clock')
    await browser.find('timer', 'Time left')
  }).timeout(40_000)

  it('ticks in any order, with undo, tells only what is asked, and a reload loses nothing', async () => {
    await browser.click('button', 'gloves and cover')
    await browser.click('button', 'wet the plaster')
    expect(await doneCount()).to.equal(2)
    await browser.click('button', 'Undo')
    await browser.driver.wait(async () => (await doneCount()) === 1, patienceMs)
    expect(await browser.text()).to.not.include('Strong, the same on both sides.')
    await browser.click('button', 'Pulse?')
    await browser.waitForText('Strong, the same on both sides.')
    await browser.driver.navigate().refresh()
    await browser.find('timer', 'Time left')
    expect(await doneCount()).to.equal(1)
    await browser.waitForText('Strong, the same on both sides.')
  }).timeout(40_000)

  it('says at the field what is no figure', async () => {
    const field = await browser.driver.findElement({ css: 'section[aria-labelledby="figures"] input' })
    await field.sendKeys('a lot')
    await browser.waitForText('Type a figure such as 38.5.')
    await field.sendKeys('\uE009a\uE000', '\uE017', '25')
  }).timeout(40_000)

  it('makes the sheet when it is ended: parts, what is critical, the order that was crossed; and is done again at once', async () => {
    // Wetting before the slab is cut: a pair is crossed.
    await browser.click('button', 'wet the plaster')
    await browser.click('button', 'cut the slab')
    await browser.click('button', 'I have finished')
    await browser.waitForText('steps are not done')
    await browser.click('button', 'End and score')
    await browser.waitForText('of 100')
    const text = await browser.text()
    expect(text).to.include('failed: critical')
    expect(text).to.include('Circulation not checked before')
    expect(text).to.include('cut the slab comes before wet the plaster')
    expect(text).to.match(/Left out: .*baseline/)
    await browser.find('image', /steps in your order beside the procedure/)
    await browser.click('button', 'Again')
    await browser.find('button', 'Start the clock')
  }).timeout(40_000)

  it('says so where the address names no station', async () => {
    await browser.open('/practice/station/shipped-catapult')
    await browser.waitForText('The address names no station')
  }).timeout(40_000)
})
