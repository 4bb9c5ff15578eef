import type { TestBrowser } from './browser'
import { patienceMs } from './patience'

/** Enters everything of a round that one tap does not call normal, as it is when it is well. */
export async function enterOpen(browser: TestBrowser): Promise<void> {
  while (await enterFirstOpen(browser)) continue
}

/** @returns whether there was one */
async function enterFirstOpen(browser: TestBrowser): Promise<boolean> {
  return browser.evaluate(
    `const well = { Refill: '1.5s', Swelling: 'none', 'Pain at rest': '0', Pain: 'no', Pulse: 'present', Feeling: 'normal', Movement: 'full' }
     for (const cell of document.querySelectorAll('form [role=group][aria-label]')) {
       const start = Object.keys(well).find((one) => cell.ariaLabel.startsWith(one))
       const buttons = [...cell.querySelectorAll('button[aria-pressed]')]
       if (!start || buttons.length === 0 || buttons.some((one) => one.ariaPressed === 'true')) continue
       const word = buttons.find((one) => one.innerText.split('\\n')[0].replace(/\\s/g, '') === well[start])
       if (!word) throw new Error('no ' + well[start] + ' in ' + cell.ariaLabel)
       word.click()
       return true
     }
     return false`,
  )
}

/** Sends the round that is shown; what is open is said, asked once, and sent so. */
export async function sendRoundForm(browser: TestBrowser, label: string): Promise<void> {
  const press = (): Promise<boolean> =>
    browser.evaluate(
      `const button = [...document.querySelectorAll('form button[type=submit]')].find((one) => one.innerText.startsWith(arguments[0]))
       if (!button) return false
       button.click()
       return true`,
      label,
    )
  await browser.driver.wait(press, patienceMs, `no ${label}`)
  if (/places? (are|is) open/.test(await browser.text())) await press()
}
