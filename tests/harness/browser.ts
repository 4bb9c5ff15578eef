import { Browser, Builder, By, until, type WebElement } from 'selenium-webdriver'
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { WebSocket } from 'ws'
import { build } from 'vite'
import type { WantedName } from './in-page/look'
import { closeLater } from './shared'

/** A headless Chromium, its elements found by role and label as a screen reader would. */
export interface TestBrowser {
  readonly driver: Driver
  /** Where the application stands. */
  readonly address: string
  open(path: string): Promise<void>
  /** The element with a role and an accessible name (exact text or pattern), waited for up to 20 s. */
  find(role: string, name: string | RegExp): Promise<WebElement>
  /** As `find`, or null at once when there is none. */
  query(role: string, name: string | RegExp): Promise<WebElement | null>
  click(role: string, name: string | RegExp): Promise<void>
  /** Replaces what stands in a field, by keys. */
  type(role: string, name: string | RegExp, text: string): Promise<void>
  /** Waits until the page shows a text. */
  waitForText(text: string | RegExp): Promise<void>
  press(...keys: string[]): Promise<void>
  setViewport(width: number, height: number): Promise<void>
  text(): Promise<string>
  /** Another tab of the same session, and in front; returns its handle. */
  openTab(): Promise<string>
}

/** How long a test waits for what should be there, milliseconds. */
const patienceMs = 20_000
/** What a driver says of a page that is left or not yet there while it is asked. */
const isLeaving = /document unloaded|wrenLook is not defined|execution context|no such execution|detached|navigat/i
/** A name as it is sent to the page. */
const wanted = (name: string | RegExp): WantedName => (typeof name === 'string' ? name : { pattern: name.source, flags: name.flags })

interface SharedBrowser {
  readonly driver: Driver
  /** A command to the browser itself, not to one of its pages. */
  readonly command: (method: string, parameters: object) => Promise<Record<string, string>>
}

let running: SharedBrowser | null = null

/** A Chromium on a profile, without a window of ours yet. */
async function startDriver(profile: string): Promise<Driver> {
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
  await driver.manage().setTimeouts({ script: patienceMs + 10_000 })
  // Selenium looks five times a second, which is most of what a quick page's test would wait for.
  const { wait } = driver
  driver.wait = ((condition: never, ms?: number, message?: string, everyMs = 30) =>
    wait.call(driver, condition, ms, message, everyMs)) as typeof wait
  return driver
}

let lookScript: Promise<string> | null = null

/** The script that finds elements in the page itself, made once. */
async function makeLookScript(): Promise<string> {
  const entry = fileURLToPath(new URL('./in-page/look.ts', import.meta.url))
  const made = await build({
    configFile: false,
    logLevel: 'error',
    build: { write: false, target: 'es2023', lib: { entry, formats: ['iife'], name: 'wrenLookScript' } },
  })
  const [output] = [made].flat().flatMap((one) => ('output' in one ? one.output : []))
  if (output?.type !== 'chunk') throw new Error('the script of the tests could not be made')
  return output.code
}

/** Has every page of the tab in front carry the tests' script. */
async function teachTab(driver: Driver): Promise<void> {
  const source = await (lookScript ??= makeLookScript())
  await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source })
}

/** The one Chromium of this worker. */
async function startChromium(): Promise<SharedBrowser> {
  const profile = mkdtempSync(join(tmpdir(), 'wren-browser-'))
  const driver = await startDriver(profile)
  const { debuggerAddress } = (await driver.getCapabilities()).get('goog:chromeOptions') as { debuggerAddress: string }
  const version = (await (await fetch(`http://${debuggerAddress}/json/version`)).json()) as { webSocketDebuggerUrl: string }
  const socket = new WebSocket(version.webSocketDebuggerUrl)
  await once(socket, 'open')
  let asked = 0
  closeLater(async () => {
    running = null
    context = undefined
    // Ending the session leaves a browser with windows of its own contexts running.
    socket.send(JSON.stringify({ id: ++asked, method: 'Browser.close' }))
    await once(socket, 'close')
    await driver.quit().catch(() => undefined)
    rmSync(profile, { recursive: true, force: true })
  })
  return {
    driver,
    command: (method, params) =>
      new Promise((resolve, reject) => {
        const id = ++asked
        const hear = (data: WebSocket.RawData): void => {
          const answer = JSON.parse(String(data)) as { id?: number; result?: Record<string, string>; error?: { message: string } }
          if (answer.id !== id) return
          socket.off('message', hear)
          if (answer.result) resolve(answer.result)
          else reject(new Error(`${method}: ${answer.error?.message ?? 'no answer'}`))
        }
        socket.on('message', hear)
        socket.send(JSON.stringify({ id, method, params }))
      }),
  }
}

let context: string | undefined

/** A window of its own on the application at `address`: what an earlier one stored or was set to is gone. */
export async function startBrowser(address: string): Promise<TestBrowser> {
  running ??= await startChromium()
  const { driver, command } = running
  const before = context
  context = (await command('Target.createBrowserContext', {}))['browserContextId']
  const openTab = async (): Promise<string> => {
    const made = await command('Target.createTarget', { url: 'about:blank', browserContextId: context })
    const tab = made['targetId'] ?? ''
    await driver.switchTo().window(tab)
    await teachTab(driver)
    return tab
  }
  await openTab()
  if (before !== undefined) await command('Target.disposeBrowserContext', { browserContextId: before })
  return browserOf(driver, address, openTab)
}

/** A browser of its own that keeps what pages store in files, as on somebody's desk. */
export interface KeepingBrowser extends TestBrowser {
  /** The folder of those files. */
  readonly profile: string
  quit(): Promise<void>
}

/** Starts a browser whose profile can be looked into; whoever starts it quits it. */
export async function startKeepingBrowser(address: string): Promise<KeepingBrowser> {
  const profile = mkdtempSync(join(tmpdir(), 'wren-profile-'))
  const driver = await startDriver(profile)
  const openTab = async (): Promise<string> => {
    await driver.switchTo().newWindow('tab')
    await teachTab(driver)
    return driver.getWindowHandle()
  }
  await teachTab(driver)
  return {
    ...browserOf(driver, address, openTab),
    profile,
    async quit() {
      await driver.quit()
      rmSync(profile, { recursive: true, force: true })
    },
  }
}

function browserOf(driver: Driver, address: string, openTab: () => Promise<string>): TestBrowser {
  const devtools = async (command: string, parameters: object = {}): Promise<unknown> =>
    driver.sendAndGetDevToolsCommand(command, parameters)

  /** Asks the page's own script; a page that is left meanwhile is asked anew. */
  const ask = async <T>(call: 'wait' | 'waitForText', ...given: readonly unknown[]): Promise<T> => {
    const end = Date.now() + patienceMs
    for (;;) {
      try {
        const script = `const done = arguments[arguments.length - 1]; wrenLook.${call}(...[...arguments].slice(0, -1), ${end - Date.now()}, done)`
        return await driver.executeAsyncScript<T>(script, ...given)
      } catch (error) {
        if (Date.now() > end || !isLeaving.test(String(error))) throw error
      }
    }
  }
  const wait = async (role: string, name: string | RegExp, isUsable: boolean): Promise<WebElement> => {
    const looked = await ask<{ element?: WebElement; fault?: string }>('wait', role, wanted(name), isUsable)
    if (!looked.element) throw new Error(`no ${role} named ${String(name)}: ${looked.fault}`)
    return looked.element
  }
  const retry = async (action: () => Promise<void>): Promise<void> => {
    let last: unknown
    for (let tries = 0; tries < 5; tries++) {
      try {
        return await action()
      } catch (error) {
        last = error
        if (!/stale|intercepted|not interactable/i.test(String(error))) throw error
        await driver.wait(until.elementLocated(By.css('body')), 1000)
      }
    }
    throw last
  }
  const text = async (): Promise<string> => driver.executeScript('return document.body.innerText')

  return {
    driver,
    address,
    find: (role, name) => wait(role, name, false),
    query: (role, name) => driver.executeScript<WebElement | null>('return wrenLook.now(...arguments)', role, wanted(name)),
    text,
    open: async (path) => driver.get(`${address}${path}`),
    click: (role, name) =>
      retry(async () => {
        const element = await wait(role, name, true)
        await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element)
        await element.click()
      }),
    type: (role, name, typed) =>
      retry(async () => {
        const element = await wait(role, name, false)
        await element.sendKeys('\uE009a\uE000', '\uE017', typed)
      }),
    async waitForText(text) {
      if (!(await ask<boolean>('waitForText', wanted(text)))) throw new Error(`the page never showed ${String(text)}`)
    },
    press: async (...keys) =>
      driver
        .actions()
        .sendKeys(...keys)
        .perform(),
    setViewport: async (width, height) => {
      await devtools('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false })
    },
    openTab,
  }
}

/** Signs in with a demo name, with a short PIN if one is given, and lands on the Board. */
export async function signIn(browser: TestBrowser, name: string, password: string, pin = ''): Promise<void> {
  await browser.open('/')
  await browser.type('textbox', 'Name', name)
  await browser.type('textbox', 'Password', password)
  if (pin !== '') await browser.type('textbox', 'Short PIN, if you like', pin)
  await browser.click('button', 'Sign in')
  await browser.find('heading', 'Board')
}

/** Opens whatever is folded on the page, as a person would who looks for something. */
export async function openFolds({ driver }: TestBrowser): Promise<void> {
  await driver.executeScript(`document.querySelectorAll('main details:not([open]) > summary').forEach((one) => one.click())`)
}
