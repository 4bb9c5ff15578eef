import type { TestBrowser } from './browser'

/** The step that is shown: its place and the beginning of its text; empty when there is none. */
export async function shownStep(browser: TestBrowser): Promise<string> {
  return browser.driver.executeScript(
    `const card = document.querySelector('section[aria-label^="Step "]')
     return card ? card.getAttribute('aria-label') + ': ' + card.innerText : ''`,
  )
}

/** Finishes the step in hand by its own button, and waits for the next one. */
export async function finishStep(browser: TestBrowser): Promise<void> {
  const [before = ''] = (await shownStep(browser)).split(':')
  const press = (): Promise<boolean> =>
    browser.driver.executeScript(
      `const card = document.querySelector('section[aria-label^="Step "]')
       const button = card?.querySelector('div.sticky button')
       if (!button || button.disabled || card.getAttribute('aria-label') !== arguments[0]) return false
       button.click()
       return true`,
      before,
    )
  await browser.driver.wait(press, 8_000, `the button of ${before} stays disabled`)
  await browser.driver.wait(async () => (await shownStep(browser)).split(':')[0] !== before, 8_000, `${before} stays`)
}

/** Finishes steps until one whose text matches is shown. */
export async function walkTo(browser: TestBrowser, text: RegExp): Promise<void> {
  for (let count = 0; count < 40; count++) {
    const shown = await shownStep(browser)
    if (text.test(shown)) return
    if (!shown) throw new Error(`the run ended before ${String(text)}`)
    await finishStep(browser)
  }
  throw new Error(`no step matches ${String(text)}`)
}

/** Finishes what is left of the run. */
export async function walkToEnd(browser: TestBrowser): Promise<void> {
  for (let count = 0; count < 40 && (await shownStep(browser)); count++) await finishStep(browser)
}
