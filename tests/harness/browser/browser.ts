import type { WebElement } from 'selenium-webdriver'
import type { Driver } from 'selenium-webdriver/chrome.js'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startChromium, type Chromium } from './chromium'
import { browserOf, type Tab } from './page-hands'
import { closeLater } from '../shared'

/** What goes to a page and comes from it as data; an element is none. */
export type Plain = string | number | boolean | null | readonly Plain[] | { readonly [name: string]: Plain }

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
  /** Waits until there is none any more. */
  waitUntilGone(role: string, name: string | RegExp): Promise<void>
  click(role: string, name: string | RegExp): Promise<void>
  /** Replaces what stands in a field, by keys. */
  type(role: string, name: string | RegExp, text: string): Promise<void>
  /** Waits until the page shows a text. */
  waitForText(text: string | RegExp): Promise<void>
  press(...keys: string[]): Promise<void>
  setViewport(width: number, height: number): Promise<void>
  text(): Promise<string>
  /** The text of every element of a selector, all read at one moment. */
  texts(css: string): Promise<readonly string[]>
  /** Presses one of the elements of a selector; the first is 0. */
  clickAt(css: string, place: number): Promise<void>
  /** What the body of a function returns in the page, as plain data; it is given plain data. */
  evaluate<T>(script: string, ...given: readonly Plain[]): Promise<T>
  /** The same of one that calls its last argument when it is done. */
  evaluateAsync<T>(script: string, ...given: readonly Plain[]): Promise<T>
  /** Another tab of the same session, and in front; returns its handle. */
  openTab(): Promise<string>
  /** Puts a tab in front. */
  toTab(handle: string): Promise<void>
}

/** How a browser differs from one that has just come to the application. */
export interface BrowserOptions {
  /** It keeps the application for when the network is gone; that is two seconds of work, and most tests are about something else. */
  readonly keepsApplication?: boolean
}

/** Puts a tab in front and opens the debugging line to it. */
async function toTab({ driver, tools }: Chromium, handle: string): Promise<Tab> {
  await driver.switchTo().window(handle)
  const { sessionId } = await tools.send('Target.attachToTarget', { targetId: handle, flatten: true })
  return { handle, session: String(sessionId) }
}

/** Opens a tab whose pages carry the tests' script. */
async function openTab(chromium: Chromium, context: string | undefined, { keepsApplication = false }: BrowserOptions): Promise<Tab> {
  const { targetId } = await chromium.tools.send('Target.createTarget', {
    url: 'about:blank',
    ...(context === undefined ? {} : { browserContextId: context }),
  })
  const tab = await toTab(chromium, String(targetId))
  const source = keepsApplication ? chromium.look : `delete Navigator.prototype.serviceWorker;${chromium.look}`
  await chromium.driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source })
  return tab
}

let running: Chromium | null = null
let context: string | undefined

/** The one Chromium of this worker. */
async function startShared(): Promise<Chromium> {
  const profile = mkdtempSync(join(tmpdir(), 'wren-browser-'))
  const chromium = await startChromium(profile)
  closeLater(async () => {
    running = null
    context = undefined
    // Ending the session leaves a browser with windows of its own contexts running.
    await chromium.tools.send('Browser.close').catch(() => undefined)
    await chromium.tools.close()
    await chromium.driver.quit().catch(() => undefined)
    rmSync(profile, { recursive: true, force: true })
  })
  return chromium
}

/** A window of its own on the application at `address`: what an earlier one stored or was set to is gone. */
export async function startBrowser(address: string, options: BrowserOptions = {}): Promise<TestBrowser> {
  const chromium = (running ??= await startShared())
  const before = context
  const { browserContextId } = await chromium.tools.send('Target.createBrowserContext')
  const mine = (context = String(browserContextId))
  const open = (): Promise<Tab> => openTab(chromium, mine, options)
  const first = await open()
  if (before !== undefined) await chromium.tools.send('Target.disposeBrowserContext', { browserContextId: before })
  return browserOf(chromium, address, first, open, (handle) => toTab(chromium, handle))
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
  const chromium = await startChromium(profile)
  const open = (): Promise<Tab> => openTab(chromium, undefined, { keepsApplication: true })
  return {
    ...browserOf(chromium, address, await open(), open, (handle) => toTab(chromium, handle)),
    profile,
    async quit() {
      await chromium.driver.quit()
      await chromium.tools.close()
      rmSync(profile, { recursive: true, force: true })
    },
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
export async function openFolds({ evaluate }: TestBrowser): Promise<void> {
  await evaluate(`document.querySelectorAll('main details:not([open]) > summary').forEach((one) => one.click())`)
}
