import { WebElement } from 'selenium-webdriver'
import type { TestBrowser } from './browser'
import { againMs, type Chromium } from './chromium'
import { patienceMs } from '../patience'
import type { Aim, PageLook, WantedName } from './in-page/look'

/** So long the page looks for itself before it is asked anew: a page that is left meanwhile answers nothing. */
const lookMs = 1_000
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
/** A name as it is sent to the page. */
const wanted = (name: string | RegExp): WantedName => (typeof name === 'string' ? name : { pattern: name.source, flags: name.flags })
/** What single keys make: no line ends, no keys that only have a name. */
const isPlain = (text: string): boolean => /^[ -~\u00a0-\u2fff]+$/.test(text)

/** A tab that is in front: its handle, and its session on the debugging line. */
export interface Tab {
  readonly handle: string
  readonly session: string
}

/** An element that the page has found; the driver comes to know it when something is asked of it. */
class FoundElement extends WebElement {
  private id: Promise<string> | null = null

  constructor(
    private readonly chromium: Chromium,
    private readonly place: number,
    private readonly again: () => Promise<WebElement>,
  ) {
    super(chromium.driver, '')
  }

  override getText(): Promise<string> {
    return super.getText().catch((error: unknown) => this.readAnew(error).then((anew) => anew.getText()))
  }

  override getAttribute(name: string): Promise<string | null> {
    return super.getAttribute(name).catch((error: unknown) => this.readAnew(error).then((anew) => anew.getAttribute(name)))
  }

  /** A button that refuses and says why is not enabled, although it takes the press. */
  override async isEnabled(): Promise<boolean> {
    return (await super.isEnabled()) && (await this.getAttribute('aria-disabled')) !== 'true'
  }

  /** What is only read may be drawn anew between finding and reading: the one that stands there now is read. */
  private readAnew(error: unknown): Promise<WebElement> {
    if (/stale/i.test(String(error))) return this.again()
    throw error
  }

  override getId(): Promise<string> {
    return (this.id ??= this.chromium.driver
      .executeScript<WebElement | null>('return window.wrenLook.taken(arguments[0])', this.place)
      .then((element) => element?.getId() ?? Promise.reject(new Error('stale element: the page that had it was left'))))
  }
}

/**
 * The hands and eyes of a test on the tab in front.
 * @param openTab opens another tab and puts it in front
 * @param toTab puts a tab in front
 */
export function browserOf(
  chromium: Chromium,
  address: string,
  first: Tab,
  openTab: () => Promise<Tab>,
  toTab: (handle: string) => Promise<Tab>,
): TestBrowser {
  const { driver, tools } = chromium
  let tab = first
  const devtools = (method: string, parameters: object = {}): Promise<unknown> => tools.send(method, parameters, tab.session)

  const run = async <T>(expression: string): Promise<T> => {
    const { result, exceptionDetails } = (await devtools('Runtime.evaluate', { expression, returnByValue: true, awaitPromise: true })) as {
      readonly result: { readonly value?: T }
      readonly exceptionDetails?: { readonly text: string; readonly exception?: { readonly description?: string } }
    }
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text)
    return (result.value ?? null) as T
  }
  const evaluate = <T>(script: string, ...given: readonly unknown[]): Promise<T> =>
    run(`(function () {${script}\n}).apply(null, ${JSON.stringify(given)})`)
  const ask = <T>(call: keyof PageLook, ...given: readonly unknown[]): Promise<T> =>
    run(`wrenLook.${call}(${given.map((one) => JSON.stringify(one)).join(', ')})`)

  /** The page looks for itself, a second at a time; one that is left or not there yet has not got it. */
  const wait = async <T>(call: 'findSoon' | 'aimSoon', role: string, name: string | RegExp, isGood: (found: T) => boolean): Promise<T> => {
    // A page that is left while it looks, or whose clock a test has stopped, says nothing more.
    const look = (): Promise<T | null> =>
      Promise.race([
        ask<T | null>(call, role, wanted(name), lookMs).catch(() => pause(againMs).then(() => null)),
        pause(3 * lookMs).then(() => null),
      ])
    const end = Date.now() + patienceMs
    for (;;) {
      const found = await look()
      if (found && isGood(found)) return found
      if (Date.now() < end) continue
      else if (found) throw new Error(`${role} ${String(name)} cannot be pressed: ${JSON.stringify(found)}`)
      else break
    }
    const others = await ask<readonly string[]>('names', role).catch((error: unknown) => [String(error)])
    const instead =
      others.length > 0 ? '' : await evaluate<string>('return `on ${location}: ${document.body.innerText.slice(0, 300)}`').catch(String)
    throw new Error(
      `no ${role} named ${String(name)}${call === 'aimSoon' ? ' that can be used' : ''} among: ${others.join(' | ')}${instead}`,
    )
  }
  /** Found twice in a row: what is only just there may come before what belongs to it. */
  const find = async (role: string, name: string | RegExp): Promise<WebElement> =>
    new FoundElement(chromium, await wait<number>('findSoon', role, name, (place) => place !== 0), () => find(role, name))
  const query = async (role: string, name: string | RegExp): Promise<WebElement | null> => {
    const place = await ask<number>('find', role, wanted(name))
    return place === 0 ? null : new FoundElement(chromium, place, () => find(role, name))
  }

  return {
    driver,
    address,
    evaluate,
    evaluateAsync: (script, ...given) =>
      run(`new Promise((done) => (function () {${script}\n}).apply(null, [...${JSON.stringify(given)}, done]))`),
    find,
    query,
    async waitUntilGone(role, name) {
      const isThere = async (): Promise<boolean> => (await ask<number>('find', role, wanted(name)).catch(() => 1)) !== 0
      await driver.wait(async () => !(await isThere()), patienceMs, `${role} ${String(name)} stays`)
    },
    text: () => run('document.body.innerText'),
    texts: (css) => evaluate('return [...document.querySelectorAll(arguments[0])].map((one) => one.innerText)', css),
    async clickAt(css, place) {
      for (let tries = 4; ; tries--) {
        try {
          const found = await driver.findElements({ css })
          if (!found[place]) throw new Error(`only ${found.length} of ${css}: none at ${place}`)
          return await found[place].click()
        } catch (error) {
          if (tries === 0 || !/stale/i.test(String(error))) throw error
        }
      }
    },
    open: async (path) => driver.get(`${address}${path}`),
    // The mouse itself, where the element stands still: a driver's own click takes twice as long.
    async click(role, name) {
      const end = Date.now() + patienceMs
      do {
        const { x, y } = await wait<Aim>('aimSoon', role, name, (aim) => aim.over === '')
        const button = { button: 'left', clickCount: 1, x, y }
        await Promise.all([
          devtools('Input.dispatchMouseEvent', { type: 'mouseMoved', x, y }),
          devtools('Input.dispatchMouseEvent', { type: 'mousePressed', ...button }),
          devtools('Input.dispatchMouseEvent', { type: 'mouseReleased', ...button }),
        ])
        // A page that was left by the press cannot say so any more.
      } while (Date.now() < end && !(await ask<boolean>('isPressed').catch(() => true)))
    },
    async type(role, name, typed) {
      // A field may be drawn anew while it is looked at.
      for (let tries = 4; ; tries--) {
        try {
          const field = await find(role, name)
          if (!isPlain(typed) || !(await ask<boolean>('takeKeys', role, wanted(name))))
            return await field.sendKeys('\uE009a\uE000', '\uE017', typed)
          const keys = [...typed].flatMap((key) => [
            { type: 'keyDown', key, text: key },
            { type: 'keyUp', key },
          ])
          await Promise.all(keys.map((key) => devtools('Input.dispatchKeyEvent', key)))
          // One that takes no more than so much holds a part for good.
          if (tries < 3 || !(await ask<boolean>('holdsPart', role, wanted(name), typed).catch(() => false))) return
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
    async openTab() {
      tab = await openTab()
      return tab.handle
    },
    async toTab(handle) {
      tab = await toTab(handle)
    },
  }
}
