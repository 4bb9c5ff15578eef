import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { BoardRow } from '#contract/board'
import { signIn, startBrowser, type TestBrowser } from './browser'
import { startLiveServer } from './live-server'

interface Shot {
  readonly name: string
  /** A path, or a patient of the demo world with a stage: `Hale Brannock/choose`. */
  readonly at: string
  readonly size?: readonly [number, number]
  readonly theme?: 'light' | 'dark'
  readonly then?: (browser: TestBrowser) => Promise<void>
}

const shots: readonly Shot[] = [
  { name: 'board', at: '/' },
  { name: 'size-up', at: 'Perran Hoskyn/size-up' },
  { name: 'measure', at: 'Wenna Strood/measure', then: async (browser) => browser.type('textbox', /^Reading,/, '37.5') },
  { name: 'measure-phone', at: 'Unnamed, about 45/measure', size: [390, 844] },
  {
    name: 'measure-photo',
    at: 'Wenna Strood/measure',
    then: async (browser) => {
      await browser.click('button', /^Slab path/)
      await browser.click('button', 'From a photo')
      await browser.click('button', 'Use the demo drawing')
      await browser.find('button', 'Take this reading')
    },
  },
  { name: 'choose', at: 'Hale Brannock/choose' },
  { name: 'choose-ring', at: 'Jenifer Opie/choose' },
  { name: 'working', at: 'Hale Brannock/choose', then: async (browser) => browser.click('button', /^caution Slab width|Slab width/) },
  { name: 'make-ready', at: 'Isbel Carrow/make-ready' },
  { name: 'apply', at: 'Unnamed, about 30/apply' },
  { name: 'apply-phone', at: 'Corin Mabyn/apply', size: [390, 844] },
  { name: 'check', at: 'Hedrek Callow/check' },
  { name: 'watch', at: 'Jago Penrose-Lyle/watch' },
  { name: 'watch-dark', at: 'Tamsyn Hollow/watch', theme: 'dark' },
  { name: 'store', at: '/store', then: async (browser) => browser.click('radio', 'Plaster room') },
  {
    name: 'count-round',
    at: '/store',
    size: [390, 844],
    then: async (browser) => {
      await browser.click('radio', 'Plaster room')
      await browser.click('link', 'Count round')
      await browser.find('heading', 'Count round')
    },
  },
  { name: 'settings', at: '/settings' },
]

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url))
mkdirSync(folder, { recursive: true })
const server = await startLiveServer()
const browser = await startBrowser(server.address)
try {
  await browser.setViewport(1280, 800)
  await browser.open('/')
  await browser.find('button', 'Sign in')
  await save('sign-in')
  await signIn(browser, 'isolde', server.password)
  const rows: BoardRow[] = await browser.driver.executeAsyncScript(
    `fetch('/api/board').then((one) => one.json()).then((one) => arguments[0](one.rows))`,
  )
  for (const shot of shots) {
    await browser.setViewport(...(shot.size ?? [1280, 800]))
    await browser.driver.sendAndGetDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-color-scheme', value: shot.theme ?? 'light' }],
    })
    const [patient, stage] = shot.at.split('/')
    const row = rows.find((one) => one.patient === patient)
    await browser.open(row ? `/case/${row.caseId}/${stage ?? row.stage}` : shot.at)
    await browser.driver.wait(async () => (await browser.driver.findElements({ css: 'h1' })).length === 1, 8_000)
    await browser.driver.wait(async () => !/Working out|working it out|Reading…|Drawing…/.test(await browser.text()), 8_000)
    await shot.then?.(browser)
    await browser.driver.sleep(500)
    await save(shot.name)
  }
} finally {
  await browser.close()
  await server.stop()
}

async function save(name: string): Promise<void> {
  writeFileSync(`${folder}${name}.png`, await browser.driver.takeScreenshot(), 'base64')
}
