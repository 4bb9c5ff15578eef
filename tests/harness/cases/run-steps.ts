import type { TestBrowser } from '../browser/browser'
import { patienceMs } from '../patience'

/** The step that is shown: its place and the beginning of its text; empty when there is none. */
export async function shownStep(browser: TestBrowser): Promise<string> {
  return browser.evaluate(
    `const card = document.querySelector('section[aria-label^="Step "]')
     return card ? card.getAttribute('aria-label') + ': ' + card.innerText : ''`,
  )
}

/** Finishes the step in hand by its own button, its straps marked, its pull kept, what was under it said, and waits for the next one. */
export async function finishStep(browser: TestBrowser): Promise<void> {
  const [before = ''] = (await shownStep(browser)).split(':')
  const press = (): Promise<boolean> =>
    browser.evaluate(
      `const early = [...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'It is hard')
       if (early) return early.click(), true
       const card = document.querySelector('section[aria-label^="Step "]')
       const strap = [...(card?.querySelectorAll('section[aria-label="Straps"] [role=group]') ?? [])]
         .find((one) => ![...one.querySelectorAll('button')].slice(1).some((mark) => mark.getAttribute('aria-pressed') === 'true'))
       if (strap) return strap.querySelectorAll('button')[1].click(), false
       const under = [...(card?.querySelectorAll('section[aria-label="What was under it"] [role=radiogroup], section[aria-label="What was under it"] [role=group]') ?? [])]
         .find((one) => one.querySelector('[role=radio]') && !one.querySelector('[data-state=on]'))
       if (under) return under.querySelector('[role=radio]').click(), false
       const pull = card?.querySelector('section[aria-label="The pull"]')
       if (pull) {
         const keep = [...pull.querySelectorAll('button')].find((one) => one.innerText === 'Keep the pull')
         if (keep && keep.ariaDisabled !== 'true') return keep.click(), false
         if (keep) return pull.querySelectorAll('[role=radio]')[3].click(), false
       }
       const button = card?.querySelector('div.sticky button')
       if (!button || button.disabled || button.ariaDisabled === 'true' || card.getAttribute('aria-label') !== arguments[0]) return false
       button.click()
       return true`,
      before,
    )
  await browser.driver.wait(press, patienceMs, `the button of ${before} stays disabled`)
  const isPassed = async (): Promise<boolean> => {
    if ((await shownStep(browser)).split(':')[0] !== before) return true
    await press()
    return false
  }
  await browser.driver.wait(isPassed, patienceMs, `${before} stays`)
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
