import { Browser, Builder, type WebElement } from 'selenium-webdriver'
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { WebSocket } from 'ws'
import { build } from 'vite'
import type { Aim, PageLook, WantedName } from './in-page/look'
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
/** How soon it is looked again, milliseconds: selenium's own fifth of a second is most of what a quick page would be waited for. */
const againMs = 30
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
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
  const { wait } = driver
  driver.wait = ((condition: never, ms?: number, message?: string, everyMs = againMs) =>
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

/** How a browser differs from one that has just come to the application. */
export interface BrowserOptions {
  /** It keeps the application for when the network is gone; that is two seconds of work, and most tests are about something else. */
  readonly keepsApplication?: boolean
}

/** Has every page of the tab in front carry the tests' script. */
async function teachTab(driver: Driver, { keepsApplication = false }: BrowserOptions): Promise<void> {
  const look = await (lookScript ??= makeLookScript())
  const source = keepsApplication ? look : `delete Navigator.prototype.serviceWorker;${look}`
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
export async function startBrowser(address: string, options: BrowserOptions = {}): Promise<TestBrowser> {
  running ??= await startChromium()
  const { driver, command } = running
  const before = context
  context = (await command('Target.createBrowserContext', {}))['browserContextId']
  const openTab = async (): Promise<string> => {
    const made = await command('Target.createTarget', { url: 'about:blank', browserContextId: context })
    const tab = made['targetId'] ?? ''
    await driver.switchTo().window(tab)
    await teachTab(driver, options)
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
    await teachTab(driver, { keepsApplication: true })
    return driver.getWindowHandle()
  }
  await teachTab(driver, { keepsApplication: true })
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

  const ask = <T>(call: keyof PageLook, ...given: readonly unknown[]): Promise<T> =>
    driver.executeScript<T>(`return wrenLook.${call}(...arguments)`, ...given)
  /** Asks the page again and again; one that is left or not there yet has not got it. */
  const wait = async <T>(call: 'find' | 'aim', role: string, name: string | RegExp, isGood: (found: T) => boolean): Promise<T> => {
    const look = (): Promise<T | null> => ask<T | null>(call, role, wanted(name)).catch(() => null)
    const end = Date.now() + patienceMs
    let found = await look()
    while (!(found && isGood(found)) && Date.now() < end) {
      await pause(againMs)
      found = await look()
    }
    if (found && isGood(found)) return found
    if (found) throw new Error(`${role} ${String(name)} cannot be pressed: ${JSON.stringify(found)}`)
    const others = await ask<readonly string[]>('names', role).catch((error: unknown) => [String(error)])
    throw new Error(`no ${role} named ${String(name)}${call === 'aim' ? ' that can be used' : ''} among: ${others.join(' | ')}`)
  }
  /** Found twice in a row: what is only just there may come before what belongs to it. */
  const find = (role: string, name: string | RegExp): Promise<WebElement> => {
    let isThere = false
    return wait<WebElement>('find', role, name, () => {
      const wasThere = isThere
      isThere = true
      return wasThere
    })
  }
  const text = async (): Promise<string> => driver.executeScript('return document.body.innerText')

  return {
    driver,
    address,
    find,
    query: (role, name) => ask('find', role, wanted(name)),
    text,
    open: async (path) => driver.get(`${address}${path}`),
    // The mouse itself, where the element stands still: a driver's own click takes twice as long.
    async click(role, name) {
      const end = Date.now() + patienceMs
      do {
        let last: Aim | null = null
        const { x, y } = await wait<Aim>('aim', role, name, (aim) => {
          const isStill = aim.over === '' && aim.x === last?.x && aim.y === last.y
          last = aim
          return isStill
        })
        for (const type of ['mouseMoved', 'mousePressed', 'mouseReleased'])
          await devtools('Input.dispatchMouseEvent', { type, x, y, ...(type === 'mouseMoved' ? {} : { button: 'left', clickCount: 1 }) })
        // A page that was left by the press cannot say so any more.
      } while (Date.now() < end && !(await ask<boolean>('isPressed').catch(() => true)))
    },
    async type(role, name, typed) {
      // A field may be drawn anew while it is looked at.
      for (let tries = 4; ; tries--) {
        try {
          return await (await find(role, name)).sendKeys('\uE009a\uE000', '\uE017', typed)
        } catch (error) {
          if (tries === 0 || !/stale|not interactable/i.test(String(error))) throw error
        }
      }
    },
    async waitForText(text) {
      const shows = (): Promise<boolean> => ask<boolean>('shows', wanted(text)).catch(() => false)
      await driver.wait(shows, patienceMs, `the page never showed ${String(text)}`)
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

/** Signs in with a demo name at the form, with a short PIN if one is given, and lands on the Board. */
export async function signInAtForm(browser: TestBrowser, name: string, password: string, pin = ''): Promise<void> {
  await browser.open('/')
  await browser.type('textbox', 'Name', name)
  await browser.type('textbox', 'Password', password)
  if (pin !== '') await browser.type('textbox', 'Short PIN, if you like', pin)
  await browser.click('button', 'Sign in')
  await browser.find('heading', 'Board')
}

/** Lets somebody be signed in already, and lands on the Board. */
export async function signIn(browser: TestBrowser, name: string, password: string): Promise<void> {
  const { address, driver } = browser
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password }),
  })
  const [cookie, value] = /^([^=]+)=([^;]*)/.exec(answer.headers.get('set-cookie') ?? '')?.slice(1) ?? []
  if (!cookie) throw new Error(`${name} is not signed in: ${answer.status} ${await answer.text()}`)
  await driver.sendAndGetDevToolsCommand('Network.setCookie', {
    name: cookie,
    value,
    url: address,
    httpOnly: true,
    sameSite: 'Strict',
  })
  await browser.open('/')
  await browser.find('heading', 'Board')
}

/** Opens whatever is folded on the page, as a person would who looks for something. */
export async function openFolds({ driver }: TestBrowser): Promise<void> {
  await driver.executeScript(`document.querySelectorAll('main details:not([open]) > summary').forEach((one) => one.click())`)
}
