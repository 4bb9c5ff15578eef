import type { TestBrowser } from './browser'
import { patienceMs } from '../patience'

/** Enters everything of a round that one tap does not call normal, as it is when it is well. */
export async function enterOpen(browser: TestBrowser): Promise<void> {
  if ((await browser.driver.findElements({ css: 'form [data-zone]' })).length > 0) await browser.driver.sleep(settledMs)
  for (let came = await enterFirstOpen(browser); came; came = await enterFirstOpen(browser)) {
    // A press straight after a place changed was meant for the one before.
    if (came === 'moved') await browser.driver.sleep(settledMs)
  }
}

const settledMs = 400

/** @returns whether another place came by it; null where nothing was open */
async function enterFirstOpen(browser: TestBrowser): Promise<'entered' | 'moved' | null> {
  return browser.evaluateAsync(
    `const [done] = arguments
     const well = { Refill: '1.5s', Swelling: 'none', 'Pain at rest': '0', Pain: 'no', Pulse: 'present', Feeling: 'normal', Movement: 'full' }
     for (const cell of document.querySelectorAll('form [role=group][aria-label]')) {
       const start = Object.keys(well).find((one) => cell.ariaLabel.startsWith(one))
       const buttons = [...cell.querySelectorAll('button[aria-pressed]')]
       if (!start || buttons.length === 0 || buttons.some((one) => one.ariaPressed === 'true')) continue
       const word = buttons.find((one) => one.innerText.split('\\n')[0].replace(/\\s/g, '') === well[start])
       if (!word) throw new Error('no ' + well[start] + ' in ' + cell.ariaLabel)
       const place = () => document.querySelector('form ol[aria-label^="Places"]')?.ariaLabel + document.querySelector('form [data-zone][aria-pressed=true]')?.dataset.zone
       const before = place()
       word.click()
       return requestAnimationFrame(() => requestAnimationFrame(() => done(place() === before ? 'entered' : 'moved')))
     }
     done(null)`,
  )
}

/** Opens a place of the round on the limb: `pulse`, `feeling` … */
export async function openPlace(browser: TestBrowser, zone: string): Promise<void> {
  await (await browser.driver.findElement({ css: `form button[data-zone="${zone}"]` })).click()
  await browser.driver.sleep(settledMs)
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
