import axe from 'axe-core'
import { expect } from 'chai'
import { Key } from 'selenium-webdriver'
import type { BoardRow } from '#contract/api/board'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer, type LiveServer } from '../harness/live-server'
import { isLong, itAtLength } from '../harness/long'
import { faultsInWords } from '../harness/cases/plain-words'
import { patienceMs } from '../harness/patience'

let server: LiveServer
let browser: TestBrowser
const pathOf = new Map<string, string>()
/** One technique of each other body, looked at on Choose. */
const bodies = [
  ['arm', 'volar-slab'],
  ['neck', 'care-collar'],
  ['trunk', 'trunk-shell'],
] as const
/** The bedside's screens in every run; the long run looks at all there are. */
const bedside = [
  'board',
  'round',
  'hand-over',
  'size-up',
  'measure',
  'choose',
  'make-ready',
  'apply',
  'check',
  'watch',
  'trunk',
  'settings',
] as const
const everyScreen = [
  'board',
  'settings',
  'store',
  'history',
  'hand-over',
  'ward',
  'protocol',
  'round',
  'recall',
  'countersign',
  '?view=rows',
  '?view=wall',
  'arm',
  'neck',
  'trunk',
  'size-up',
  'measure',
  'choose',
  'make-ready',
  'apply',
  'check',
  'watch',
  'record',
  'card',
  'guide',
  'guide/leg-cast',
  'practice',
  'practice/bench/heat',
  'practice/bench/rig',
  'practice/bench/shell',
  'practice/bench/crew',
  'practice/station/shipped-leg-slab',
  'practice/progress',
  'practice/make',
  'practice/drill/usual',
  'sitting',
] as const
const screens: readonly (typeof everyScreen)[number][] = isLong ? everyScreen : bedside

async function visit(screen: (typeof everyScreen)[number]): Promise<void> {
  await browser.open(
    screen === 'board'
      ? '/'
      : /^(settings|store|history|hand-over|ward|round|recall|countersign|\?|guide|practice)/.test(screen)
        ? `/${screen}`
        : (pathOf.get(screen) ?? '/nowhere'),
  )
  await browser.driver.wait(
    () => browser.evaluate<boolean>("return document.querySelectorAll('h1').length === 1"),
    patienceMs,
    `${screen} has no heading`,
  )
  await browser.driver.wait(
    async () => !/Working out|working it out|Opening…|Opening the case…|Reading…|Drawing…/.test(await browser.text()),
    patienceMs,
  )
}

/** Colours are looked at pair by pair where they are made (tests/web/parts/theme-contrast); the long run looks at each screen by both themes too. */
const themes = isLong ? (['light', 'dark'] as const) : (['light'] as const)

/** What axe finds on the page as it stands, of any weight; the dark differs from the light by its colours alone. */
async function axeFaults(theme: 'light' | 'dark'): Promise<readonly string[]> {
  await browser.evaluate(`document.documentElement.dataset.theme = '${theme}'`)
  if (!(await browser.evaluate<boolean>('return Boolean(window.axe)'))) await browser.evaluate(axe.source)
  const rules = theme === 'dark' ? "runOnly: ['color-contrast']" : isLong ? '' : "rules: { 'color-contrast': { enabled: false } }"
  return browser.evaluateAsync(
    `const done = arguments[0]
     axe.run(document, { resultTypes: ['violations'], ${rules} }).then(({ violations }) => done(violations
       .map((one) => one.id + ': ' + one.nodes.map((node) => node.html.slice(0, 160)).join(' | '))))`,
  )
}

describe('every screen', () => {
  before(async () => {
    server = await startLiveServer()
    browser = await startBrowser(server.address)
    await browser.setViewport(1280, 800)
    await signIn(browser, 'isolde', server.password)
    const rows: BoardRow[] = await browser.evaluateAsync(
      `fetch('/api/board').then((one) => one.json()).then((one) => arguments[0](one.rows))`,
    )
    for (const [name, technique] of bodies) {
      const row = rows.find((one) => one.technique === technique)
      if (row) pathOf.set(name, `/case/${row.caseId}/choose`)
    }
    for (const row of rows) if (row.technique === 'leg-slab') pathOf.set(row.stage, `/case/${row.caseId}/${row.stage}`)
    pathOf.set(
      'sitting',
      await browser.evaluateAsync(
        `fetch('/api/practice/sittings').then((one) => one.json()).then((one) => arguments[0]('/practice/run/' + one.sittings.find((each) => each.result).id))`,
      ),
    )
    pathOf.set('card', pathOf.get('apply')?.replace(/apply$/, 'card') ?? '/nowhere')
    pathOf.set('record', pathOf.get('apply')?.replace(/apply$/, 'record') ?? '/nowhere')
  })

  for (const screen of screens) {
    it(`${screen}: fits a narrow phone, also when a wide screen is made narrow, axe finds nothing, and its words are for people`, async () => {
      const wider = (): Promise<number> =>
        browser.evaluate('return document.documentElement.scrollWidth - document.documentElement.clientWidth')
      await browser.setViewport(390, 844)
      await visit(screen)
      const fresh = await wider()
      await browser.setViewport(1280, 800)
      for (const theme of themes) expect(await axeFaults(theme), theme).to.deep.equal([])
      expect(faultsInWords(await browser.text())).to.deep.equal([])
      await browser.setViewport(390, 844)
      // A chart follows its box only after the next frames.
      await browser.driver
        .wait(async () => (await wider()) === 0, patienceMs, `${screen} is wider than the phone`)
        .finally(() => browser.setViewport(1280, 800))
      // As it is at four times the size on a desk.
      await browser.setViewport(320, 640)
      await browser.driver
        .wait(async () => (await wider()) === 0, patienceMs, `${screen} is wider than 320 pixels`)
        .finally(() => browser.setViewport(1280, 800))
      expect(fresh).to.equal(0)
    })
  }

  it('in the row on top nothing lies over its neighbour, on tablets either', async () => {
    await browser.open('/')
    const widths = [641, 700, 768, 834, 1_024, 1_280]
    const collisions: string[] = []
    for (const width of widths) {
      await browser.setViewport(width, 900)
      const found = await browser.evaluate<readonly string[]>(
        `const parts = [...document.querySelectorAll('header a, header button')].filter((one) => one.getClientRects().length > 0)
         return parts.flatMap((one, index) => {
           const box = one.getBoundingClientRect()
           const next = parts[index + 1]?.getBoundingClientRect()
           return one.scrollWidth > one.clientWidth + 1 || (next && next.left < box.right - 1 && next.top < box.bottom - 1)
             ? [one.textContent.trim()] : []
         })`,
      )
      collisions.push(...found.map((one) => `${width}: ${one}`))
    }
    await browser.setViewport(1280, 800)
    expect(collisions).to.deep.equal([])
  })

  it('what is wrong, the lock and the heat map: axe finds nothing', async () => {
    const look = async (): Promise<void> => {
      for (const theme of themes) expect(await axeFaults(theme), theme).to.deep.equal([])
    }
    await visit('apply')
    await browser.click('button', 'Something is wrong')
    await browser.find('dialog', 'What is wrong?')
    await look()
    await browser.click('button', 'Close')
    await browser.click('button', 'Lock')
    await browser.click('menuitem', 'Wipe the screen')
    await browser.find('dialog', 'Wipe the screen')
    await look()
    await (await browser.find('button', 'Hold here to go on')).sendKeys(Key.ENTER)
    await visit('make-ready')
    await browser.click('button', 'Map of water and layers')
    await browser.find('group', /^Heat map/)
    await look()
  }).timeout(60_000)

  itAtLength('is walked with the keyboard alone: stages by number, help by ?, Board by b', async () => {
    await visit('measure')
    await browser.evaluate('document.activeElement.blur()')
    await browser.press('3')
    await browser.find('heading', 'Choose')
    await browser.press('?')
    await browser.find('dialog', 'What this is, and its keys')
    await browser.press(Key.ESCAPE)
    await browser.press('b')
    await browser.find('heading', 'Board')
  })

  itAtLength('shows lengths in inches when settings say so', async () => {
    await visit('settings')
    await browser.click('radio', 'Inches')
    // What is tapped in the moment in which a page is left may not have gone: nobody leaves so fast.
    await browser.driver.wait(
      () =>
        browser.evaluateAsync<boolean>(
          `const [done] = arguments; fetch('/api/session').then((one) => one.json()).then((one) => done(/"inches"/.test(JSON.stringify(one))))`,
        ),
      patienceMs,
      'the setting was never kept',
    )
    await browser.open(pathOf.get('choose') ?? '/')
    await browser.find('button', /^Slab length.* in$/)
    const left: string[] = []
    for (const stage of ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch'] as const) {
      await visit(stage)
      // The ruler of the template is printed in centimetres, and is called so.
      const found = /.{0,30}\d ?cm\b.{0,20}/.exec((await browser.text()).replaceAll('10 cm check ruler', ''))
      if (found) left.push(`${stage}: ${found[0]}`)
    }
    await visit('settings')
    await browser.click('radio', 'Centimetres')
    expect(left).to.deep.equal([])
  })

  itAtLength('calibrates the own finger width and says what cannot be', async () => {
    await visit('settings')
    await browser.type('textbox', /^Breadth across/, '90')
    await browser.click('button', 'Save')
    await browser.waitForText('0.8 to 3.5 is possible')
    await browser.type('textbox', /^Breadth across/, '7.6')
    await browser.click('button', 'Save')
    await browser.waitForText('1.9 cm')
  })

  it('leads back from an address that does not exist', async () => {
    await browser.open('/nowhere')
    await browser.find('link', 'To the Board')
    await browser.open('/case/00000000-0000-4000-8000-000000000000/measure')
    await browser.waitForText('There is no case at this address')
    const status: number = await browser.evaluateAsync(
      `const [done] = arguments; fetch('/assets/of-an-older-version.js').then((one) => done(one.status))`,
    )
    expect(status).to.equal(404)
  })
})
