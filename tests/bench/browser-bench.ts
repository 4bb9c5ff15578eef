import type { WebElement } from 'selenium-webdriver'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { scriptWeight } from './board-bench'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

/** Main-thread work from a key to the second frame after it, and what the Board loads. */
export async function benchBrowser(root: string): Promise<readonly Figure[]> {
  const server = await startLiveServer()
  const browser = await startBrowser(server.address, { keepsApplication: true })
  await browser.setViewport(1280, 800)
  await signIn(browser, 'isolde', server.password)
  await browser.open('/')
  await browser.waitForText('Penrose-Lyle')
  const loaded: string[] = await browser.evaluate(`return performance.getEntriesByType('resource').map((one) => one.name)`)
  await browser.click('link', /Wenna Strood/)
  const input = await browser.find('textbox', /^Reading,/)
  await browser.driver.sendAndGetDevToolsCommand('Performance.enable', {})
  const work: number[] = []
  for (let key = 0; key < sized(60, 12); key++) work.push(await workOfOneKey(browser, input, key % 2 === 0 ? '38' : '39'))
  return [
    scriptWeight(root, loaded),
    { name: 'reading to redraw, main-thread work, median of 50', value: percentiles(work.slice(10)).median, unit: 'ms', limit: 16 },
  ]
}

async function workOfOneKey(browser: TestBrowser, input: WebElement, value: string): Promise<number> {
  return mainThreadWork(
    browser,
    `Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(arguments[0], arguments[1])
     arguments[0].dispatchEvent(new Event('input', { bubbles: true }))`,
    input,
    value,
  )
}

/** Script, layout and style work, ms, from an action in the page to the second frame after it. */
export async function mainThreadWork(browser: TestBrowser, action: string, ...inputs: readonly unknown[]): Promise<number> {
  const metrics = async (): Promise<number> => {
    const { metrics: list } = (await browser.driver.sendAndGetDevToolsCommand('Performance.getMetrics', {})) as unknown as {
      metrics: { name: string; value: number }[]
    }
    const of = (name: string): number => list.find((one) => one.name === name)?.value ?? 0
    return (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration')) * 1000
  }
  const before = await metrics()
  await browser.driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1]
     const given = arguments
     void (async function () {
       ${action}
     }).apply(null, given).then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))`,
    ...inputs,
  )
  return (await metrics()) - before
}
