import type { TestBrowser } from './browser'

/** What a hand did on the pages of a test since it was last asked. */
export interface HandCount {
  readonly taps: number
  readonly keys: number
}

/** Counts each press of a control and each key on every page from now on, whoever makes it. */
export async function countHands(browser: TestBrowser): Promise<{ begin(): Promise<void>; count(): Promise<HandCount> }> {
  const source = `
    for (const [event, name] of [['click', 'taps'], ['keydown', 'keys']])
      window.addEventListener(event, (one) => {
        // A label presses its field a second time, and a field that is pressed to be typed in is one tap all the same.
        if (event === 'click' && one.target.closest('label') && !(one.target instanceof HTMLInputElement)) return
        sessionStorage.setItem('hand-' + name, String(Number(sessionStorage.getItem('hand-' + name) ?? 0) + 1))
      }, true)`
  await browser.driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source })
  return {
    async begin() {
      await browser.evaluate(`sessionStorage.setItem('hand-taps', '0'); sessionStorage.setItem('hand-keys', '0')`)
    },
    count: () =>
      browser.evaluate<HandCount>(
        `return { taps: Number(sessionStorage.getItem('hand-taps')), keys: Number(sessionStorage.getItem('hand-keys')) }`,
      ),
  }
}
