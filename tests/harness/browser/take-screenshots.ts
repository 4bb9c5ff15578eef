import { closeShared } from '../shared'
import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { BoardRow } from '#contract/api/board'
import { signIn, startBrowser, type TestBrowser } from './browser'
import { startLiveServer } from '../live-server'
import { walkTo } from '../cases/run-steps'
import { patienceMs } from '../patience'
import { root } from '../root'

interface Shot {
  readonly name: string
  /** A path, or a patient or a technique of the demo world with a stage: `Hale Brannock/choose`. */
  readonly at: string
  readonly size?: readonly [number, number]
  readonly theme?: 'light' | 'dark'
  readonly then?: (browser: TestBrowser) => Promise<void>
}

const shots: readonly Shot[] = [
  { name: 'board', at: '/' },
  { name: 'size-up', at: 'Perran Hoskyn/size-up' },
  { name: 'measure', at: 'Wenna Strood/measure', then: async (browser) => browser.type('textbox', /^Reading,/, '37.5') },
  { name: 'choose', at: 'Hale Brannock/choose' },
  { name: 'make-ready', at: 'Isbel Carrow/make-ready', then: nameTheCrew },
  {
    name: 'apply',
    at: 'Corin Mabyn/apply',
    then: async (browser) => walkTo(browser, /Flat palms/),
  },
  {
    name: 'round',
    at: 'Ennor Vose/watch',
    size: [390, 844],
    then: async (browser) => browser.click('button', 'Do the round'),
  },
  { name: 'apply-phone', at: 'extrication-collar/apply', size: [390, 844] },
  {
    name: 'apply-pull',
    at: 'frame-traction/make-ready',
    then: async (browser) => {
      await browser.click('button', 'Start applying')
      await browser.find('region', /^Step 1 of/)
      await walkTo(browser, /Ratchet/)
      await browser.click('radio', '8')
      await browser.click('button', 'Pair the digital load scale')
      await fetch(`${server.panels.scale}/state`, { method: 'POST', body: JSON.stringify({ value: 5.2, jitter: 0 }) })
      await browser.waitForText('5.2 kg')
      await browser.evaluate(`document.querySelector('section[aria-label^="Step "]').scrollIntoView()`)
    },
  },
  { name: 'check', at: 'Hedrek Callow/check' },
  { name: 'watch', at: 'Jago Penrose-Lyle/watch', size: [390, 844] },
  {
    name: 'my-round',
    at: '/round',
    size: [390, 844],
    theme: 'dark',
    then: async (browser) => {
      await browser.click('button', 'Ward A')
      await browser.waitForText(/of \d+ done/)
    },
  },
  { name: 'run-record', at: 'Corin Mabyn/record' },
  { name: 'guide', at: '/guide/leg-cast' },
  { name: 'store', at: '/store', then: async (browser) => browser.click('radio', 'Plaster room') },
  { name: 'hand-over', at: '/hand-over', size: [390, 844], theme: 'dark' },
  {
    name: 'bench',
    at: '/practice/bench/swelling?swelling=marked&way=two-halves&cut=10&hour=20&pin=swelling%3Dmarked%26hour%3D20',
    then: async (browser) => {
      await browser.waitForText('A, pinned')
      await browser.evaluate('window.scrollTo(0, 0)')
    },
  },
  { name: 'station-sheet', at: '/practice', then: openAnExaminedRun },
  { name: 'drill', at: '/practice/drill/usual', then: playTheNight },
]

async function openAnExaminedRun(browser: TestBrowser): Promise<void> {
  const id = await browser.evaluateAsync<string>(
    `fetch('/api/practice/sittings').then((one) => one.json()).then((one) =>
      arguments[0](one.sittings.find((each) => each.technique === 'frame-traction' && each.candidates[0].name.startsWith('Teodor')).id))`,
  )
  await browser.open(`/practice/run/${id}`)
  await browser.find('link', 'Sheet, A4')
}

/** A night in which somebody is opened late and nobody walks the round, in a few seconds. */
async function playTheNight(browser: TestBrowser): Promise<void> {
  await browser.click('button', 'Begin the night')
  for (const bed of [2, 6, 3]) {
    await browser.click('button', new RegExp(`^Bed ${bed}`))
    await browser.click('button', 'Wake and look')
    await browser.click('button', 'Rest of both normal')
    await browser.click('button', 'Close')
  }
  await browser.click('button', /^Bed 2/)
  await browser.click('button', /^Open to skin|^Ease the pull/)
  await browser.evaluate(`const real = window.setInterval; window.setInterval = (work, ms) => real(work, ms / 300)`)
  await browser.click('radio', '1 s a minute')
  await browser.waitForText('By the list alone')
  await browser.evaluate('window.scrollTo(0, 0)')
}

async function nameTheCrew(browser: TestBrowser): Promise<void> {
  await browser.click('button', 'Add me')
  await browser.type('textbox', 'Who is here', 'Sunniva')
  await browser.click('button', 'Add')
  await browser.find('combobox', 'Sunniva: place')
  await browser.evaluate('window.scrollTo(0, 0)')
}

const folder = fileURLToPath(new URL('docs/screenshots/', root))
mkdirSync(folder, { recursive: true })
const server = await startLiveServer()
const browser = await startBrowser(server.address)
try {
  await browser.setViewport(1280, 800)
  await signIn(browser, 'isolde', server.password)
  const rows: BoardRow[] = await browser.evaluateAsync(
    `fetch('/api/board').then((one) => one.json()).then((one) => arguments[0](one.rows))`,
  )
  for (const shot of shots) {
    const [width, height] = shot.size ?? [1280, 800]
    await browser.setViewport(width, height)
    await browser.driver.sendAndGetDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: width < 500 })
    await browser.driver.sendAndGetDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-color-scheme', value: shot.theme ?? 'light' }],
    })
    const [patient, stage] = shot.at.split('/')
    const row = rows.find((one) => one.patient === patient || one.technique === patient)
    await browser.open(row ? `/case/${row.caseId}/${stage ?? row.stage}` : shot.at)
    await browser.driver.wait(async () => (await browser.driver.findElements({ css: 'h1' })).length === 1, patienceMs)
    await browser.driver.wait(async () => !/Working out|working it out|Reading…|Drawing…/.test(await browser.text()), patienceMs)
    await shot.then?.(browser)
    await browser.driver.sleep(500)
    await save(shot.name)
  }
} finally {
  await closeShared()
}

async function save(name: string): Promise<void> {
  writeFileSync(`${folder}${name}.png`, await browser.driver.takeScreenshot(), 'base64')
}
