import { Browser, Builder, By, until, type WebElement } from 'selenium-webdriver'
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { WebSocket } from 'ws'
import { closeLater } from './shared'

/** A headless Chromium, its elements found by role and label as a screen reader would. */
export interface TestBrowser {
  readonly driver: Driver
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

interface AxNode {
  readonly backendDOMNodeId?: number
  readonly name?: { readonly value?: string }
  readonly ignored?: boolean
}

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
  return (await new Builder()
    .forBrowser(Browser.CHROME)
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as Driver
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
    return driver.getWindowHandle()
  }
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
  let handles = 0

  const devtools = async (command: string, parameters: object = {}): Promise<unknown> =>
    driver.sendAndGetDevToolsCommand(command, parameters)

  const query = async (role: string, name: string | RegExp): Promise<WebElement | null> => {
    const { root } = (await devtools('DOM.getDocument', { depth: 0 })) as { root: { nodeId: number } }
    const { nodes } = (await devtools('Accessibility.queryAXTree', { nodeId: root.nodeId, role })) as { nodes: AxNode[] }
    const matches = (node: AxNode): boolean => {
      const label = (node.name?.value ?? '').trim()
      return typeof name === 'string' ? label === name : name.test(label)
    }
    const node = nodes.find((one) => !one.ignored && matches(one))
    if (!node?.backendDOMNodeId) return null
    const { object } = (await devtools('DOM.resolveNode', { backendNodeId: node.backendDOMNodeId })) as { object: { objectId: string } }
    const handle = `h${handles++}`
    await devtools('Runtime.callFunctionOn', {
      objectId: object.objectId,
      functionDeclaration: `function () { this.setAttribute('data-handle', '${handle}') }`,
    })
    return driver.findElement(By.css(`[data-handle="${handle}"]`)).catch(() => null)
  }
  const find = async (role: string, name: string | RegExp): Promise<WebElement> => {
    const found = await driver.wait(async () => query(role, name).catch(() => null), 20_000, `no ${role} named ${String(name)}`)
    if (!found) throw new Error(`no ${role} named ${String(name)}`)
    return found
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
    query,
    find,
    text,
    open: async (path) => driver.get(`${address}${path}`),
    click: (role, name) =>
      retry(async () => {
        const element = await find(role, name)
        await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element)
        await driver.wait(until.elementIsEnabled(element), 20_000, `${role} ${String(name)} stays disabled`)
        await element.click()
      }),
    type: (role, name, typed) =>
      retry(async () => {
        const element = await find(role, name)
        await element.sendKeys('\uE009a\uE000', '\uE017', typed)
      }),
    async waitForText(wanted) {
      const shows = (shown: string): boolean => (typeof wanted === 'string' ? shown.includes(wanted) : wanted.test(shown))
      await driver.wait(async () => text().then(shows, () => false), 20_000, `the page never showed ${String(wanted)}`)
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
