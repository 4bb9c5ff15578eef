import { expect } from 'chai'
import { stages } from '#contract/api/board'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { quietRound, seedCase, sendApplied, sendPatient, sendRound, startRun, type SeededCase } from '../harness/seed-case'

let server: LiveServer
let browser: TestBrowser
let seeded: SeededCase
let running: SeededCase

interface Box {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}
interface Places {
  readonly header: Box
  readonly strip: Box
  readonly path: Box | null
  readonly side: Box
  readonly name: Box
  readonly place: Box | null
  readonly alarm: Box
  /** Of the family name: px that do not fit. */
  readonly cutPx: number
  readonly overflowPx: number
}

/** Where the parts of the header stand once the page has taken the size of its window, px. */
const places = async (): Promise<Places> => {
  // The page draws by a new size in the frame after it hears of it.
  await browser.evaluateAsync('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done()))')
  const isTaken = (): Promise<boolean> =>
    browser.evaluate(`return document.documentElement.scrollWidth <= document.documentElement.clientWidth`)
  // What is drawn to its width follows a moment later; what stays over the edge is found below.
  for (let look = 0; look < 20 && !(await isTaken()); look++) await browser.driver.sleep(50)
  return browser.evaluate(`
    const box = (one) => { if (!one) return null; const { left, top, width, height } = one.getBoundingClientRect(); return { left, top, width, height } }
    const patient = document.querySelector('header section[aria-label="Patient"]')
    const family = [...patient.querySelectorAll('bdi[aria-hidden] > span')].find((one) => one.className.includes('wrap-anywhere'))
    return {
      header: box(document.querySelector('header')),
      strip: box(document.querySelector('section[aria-label="Said now"]')),
      path: box(document.querySelector('nav[aria-label="Path of this case"]')),
      side: box(patient.querySelector('p')),
      name: box(patient.querySelector('bdi[aria-hidden]')),
      place: box([...patient.querySelectorAll('button')].find((one) => /: move$/.test(one.getAttribute('aria-label') ?? ''))),
      alarm: box([...patient.querySelectorAll('button')].find((one) => /Something is wrong/.test(one.textContent))),
      cutPx: Math.max(family.scrollWidth - family.clientWidth, family.getBoundingClientRect().right - family.closest('p').getBoundingClientRect().right),
      overflowPx: Math.max(0, document.documentElement.scrollWidth - document.documentElement.clientWidth),
    }`)
}

const sizes = [
  [320, 640],
  [390, 844],
  [768, 1024],
  [1024, 768],
  [1280, 800],
] as const

async function name(words: string): Promise<void> {
  for (const one of [seeded, running]) await sendPatient(browser, one, { name: words, ageYears: 34, massKg: 81 })
}

async function openStage(stage: string, { caseId } = seeded): Promise<void> {
  await browser.open(`/case/${caseId}/${stage}`)
  await browser.find('region', 'Patient')
  await browser.find('button', 'Something is wrong')
}

describe('the header of a case', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    // As on a phone and on a touch screen: the bar at the side takes no room.
    await browser.driver.sendDevToolsCommand('Emulation.setScrollbarsHidden', { hidden: true })
    await signIn(browser, 'isolde', server.password)
    seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true, 30)
    await sendApplied(browser, seeded, 20)
    running = await seedCase(browser, 'leg-slab')
    await sendRound(browser, running, quietRound('leg-slab'), true, 30)
    await startRun(browser, running)
  })

  it('stands in the same place and has the same size on every stage, from a small phone to a desk', async () => {
    await name('Bartholomew Featherstonehaugh')
    const found = new Map<number, Places[]>(sizes.map(([width]) => [width, []]))
    for (const stage of stages) {
      await openStage(stage)
      for (const [width, height] of sizes) {
        await browser.setViewport(width, height)
        found.get(width)?.push(await places())
      }
    }
    const fixed = ({ header, strip, side, name: of, place, alarm }: Places): object => ({
      header,
      strip: strip.top,
      side,
      name: of,
      place,
      alarm,
    })
    for (const [width, all] of found) {
      const [first] = all
      if (!first) throw new Error(`nothing was seen at ${width}`)
      for (const [index, one] of all.entries()) {
        expect(fixed(one), `${stages[index]} at ${width}`).to.deep.equal(fixed(first))
        expect(one.overflowPx, `nothing of ${stages[index]} goes over the edge at ${width}`).to.equal(0)
      }
      expect(first.header.height, `header at ${width}`).to.be.at.most(width < 640 ? 58.5 : 56.5)
      expect(first.strip.height, `its strip at ${width}`).to.be.at.most(41)
      if (width >= 1024) expect(first.header.height + first.strip.height + (first.path?.height ?? 0), 'all three').to.be.at.most(137)
    }
  }).timeout(120_000)

  for (const [words, isOneLine] of [
    ['Bo', true],
    ['Bartholomew Featherstonehaugh', true],
    ['Anna Maria Theodora van der Featherstonehaugh-Cholmondeley', false],
    ['Featherstonehaughcholmondeleymarjoribanksauchinleckmilngavie', false],
    ['ليلى عبد الرحمن الحسيني', true],
  ] as const) {
    it(`cuts no family name: ${words}`, async () => {
      await name(words)
      await openStage('record')
      await browser.waitForText(words)
      for (const [width, height] of sizes) {
        await browser.setViewport(width, height)
        const { cutPx, header, alarm, overflowPx } = await places()
        expect(cutPx, `${width}`).to.be.at.most(0.5)
        expect(overflowPx, `${width}`).to.equal(0)
        expect(alarm.left + alarm.width, 'the alarm is whole').to.be.at.most(width)
        if (isOneLine) expect(header.height, `${width}`).to.be.at.most(width < 640 ? 58.5 : 56.5)
      }
    }).timeout(90_000)
  }

  it('stays in sight at the end of a long page, with the alarm to be pressed there', async () => {
    await name('Jago Penrose-Lyle')
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
      // A desk enlarged to 200 %.
      [640, 400],
    ] as const) {
      await browser.setViewport(width, height)
      await openStage('watch')
      await browser.evaluate(`window.scrollTo(0, document.documentElement.scrollHeight)`)
      const { header, strip } = await places()
      expect(header.top, `${width}`).to.equal(0)
      if (height < 500) {
        expect(header.height).to.be.at.most(48.5)
        expect(strip.top + strip.height, 'the strip leaves the page to the question').to.be.at.most(0.5)
      } else expect(strip.top).to.be.closeTo(header.height, 0.6)
      expect(await browser.evaluate(isUncovered, 'Something is wrong')).to.equal(true)
    }
  }).timeout(60_000)

  it('lies over nothing that has the focus, and neither does what sticks at the foot', async () => {
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
      [640, 400],
    ] as const) {
      await browser.setViewport(width, height)
      for (const [stage, of] of [
        ['size-up', seeded],
        ['watch', seeded],
        ['apply', running],
      ] as const) {
        await openStage(stage, of)
        const covered = await browser.evaluate<readonly string[]>(coveredByWhatSticks)
        expect(covered, `${stage} at ${width} × ${height}`).to.deep.equal([])
      }
    }
  }).timeout(120_000)

  it('with letters of twice the size grows, and cuts nothing', async () => {
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
    ] as const) {
      await browser.setViewport(width, height)
      await openStage('watch')
      await browser.evaluate(`document.documentElement.style.fontSize = '212.5%'`)
      const { cutPx, header, alarm, overflowPx } = await places()
      expect(cutPx, `${width}`).to.be.at.most(0.5)
      expect(header.height).to.be.above(56)
      expect(alarm.left + alarm.width).to.be.at.most(width)
      expect(overflowPx, `${width}`).to.equal(0)
    }
  }).timeout(60_000)

  it('stands on top of a round that fills the screen, with its way out beside it', async () => {
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
    ] as const) {
      await browser.setViewport(width, height)
      await openStage('watch')
      await browser.click('button', 'Do the round')
      await browser.find('dialog', /^Round: /)
      const head: { top: number; side: string; alarm: string } = await browser.evaluate(`
        const patient = document.querySelector('[role=dialog] section[aria-label="Patient"]')
        return { top: patient.getBoundingClientRect().top, side: patient.querySelector('p').innerText, alarm: patient.innerText }`)
      expect(head.top, 'it slides in by a few').to.be.at.most(8)
      expect(head.side).to.match(/LEFT\s+ankle/)
      expect(await browser.evaluate(isUncovered, 'Something is wrong')).to.equal(true)
      await browser.click('button', 'Close')
    }
  }).timeout(60_000)
})

/** Whether the button of that name is what a press at its middle would meet; of several the last, which is on top. */
const isUncovered = `
  const button = [...document.querySelectorAll('button')].filter((one) => one.textContent.includes(arguments[0])).at(-1)
  const { left, top, width, height } = button.getBoundingClientRect()
  return button.contains(document.elementFromPoint(left + width / 2, top + height / 2))`

/** What can have the focus, each focused as by the key: those whose middle is then covered by something else. */
const coveredByWhatSticks = `
  const main = document.querySelector('main')
  const focusable = [...main.querySelectorAll('a[href], button:not([disabled]), input, select, textarea, summary, [tabindex="0"]')]
    .filter((one) => one.getClientRects().length > 0 && getComputedStyle(one).visibility !== 'hidden')
  return focusable.flatMap((one) => {
    one.focus()
    if (document.activeElement !== one) return []
    one.scrollIntoView({ block: 'nearest' })
    const { left, top, width, height } = one.getBoundingClientRect()
    const over = document.elementFromPoint(left + width / 2, top + Math.min(height, window.innerHeight) / 2)
    const stuck = over?.closest('header, section[aria-label="Said now"], section[aria-label="What comes next"], section[aria-label="Setting clock"]')
    return stuck && !stuck.contains(one) ? [one.outerHTML.slice(0, 120) + ' under ' + (stuck.getAttribute('aria-label') ?? 'header')] : []
  })`
