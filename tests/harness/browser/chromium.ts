import { Browser, Builder } from 'selenium-webdriver'
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { fileURLToPath } from 'node:url'
import { build } from 'vite'
import { openDevTools, type DevTools } from './devtools'
import { root } from '../root'

/** A running Chromium: its driver, and its own debugging line beside it. */
export interface Chromium {
  readonly driver: Driver
  readonly tools: DevTools
  /** The script that every page of the tests carries. */
  readonly look: string
}

/** How soon a condition is looked at again, milliseconds: selenium's own fifth of a second is most of what a quick page would be waited for. */
export const againMs = 30

/** Starts a headless Chromium on a profile, without a window of ours yet. */
export async function startChromium(profile: string): Promise<Chromium> {
  // Made before the browser is there: what fails here leaves none behind.
  const look = await (lookScript ??= makeLookScript())
  const options = new Options()
  options.setChromeBinaryPath('/usr/bin/chromium')
  options.addArguments(
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    '--lang=en-GB',
    '--force-device-scale-factor=1',
    `--user-data-dir=${profile}`,
  )
  const driver = (await new Builder()
    .forBrowser(Browser.CHROME)
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as Driver
  const { wait } = driver
  driver.wait = ((condition: never, ms?: number, message?: string, everyMs = againMs) =>
    wait.call(driver, condition, ms, message, everyMs)) as typeof wait
  const { debuggerAddress } = (await driver.getCapabilities()).get('goog:chromeOptions') as { debuggerAddress: string }
  return { driver, tools: await openDevTools(debuggerAddress), look }
}

let lookScript: Promise<string> | null = null

/** The script that finds elements in the page itself, made once. */
async function makeLookScript(): Promise<string> {
  // From the root: the bench is bundled, and lies as deep under it as this file.
  const entry = fileURLToPath(new URL('tests/harness/browser/in-page/look.ts', root))
  const made = await build({
    configFile: false,
    logLevel: 'error',
    build: { write: false, target: 'es2023', lib: { entry, formats: ['iife'], name: 'wrenLookScript' } },
  })
  const [output] = [made].flat().flatMap((one) => ('output' in one ? one.output : []))
  if (output?.type !== 'chunk') throw new Error('the script of the tests could not be made')
  return output.code
}
