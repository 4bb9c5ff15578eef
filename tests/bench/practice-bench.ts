import { benches } from '#core/practice/benches'
import { playNight } from '#core/practice/drill/players'
import { nights } from '#core/practice/drill/nights'
import { stationIdOf } from '#core/practice/stations/shipped-stations'
import { defaultProtocol } from '#core/quantities/defaults'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { mainThreadWork } from './browser-bench'
import { percentiles, timeOf, type Figure } from './figure'
import { sized } from './size'

const turns = sized(24, 3)
const warmTurns = sized(6, 1)
/** By then the worker has answered and the scene is drawn; the address is written later. */
const answeredMs = 150

/** A night without a screen, the redraw of every bench after a turn, and a station's tick. */
export async function benchPractice(): Promise<readonly Figure[]> {
  const server = await startLiveServer()
  const browser = await startBrowser(server.address, { keepsApplication: true })
  await browser.setViewport(1280, 800)
  await signIn(browser, 'isolde', server.password)
  await browser.driver.sendAndGetDevToolsCommand('Performance.enable', {})
  return [...benchNights(), ...(await benchBenches(browser)), await benchTick(browser)]
}

/** The longest shipped night, as each player that looks plays it. */
function benchNights(): readonly Figure[] {
  const longest = [...nights].sort((a, b) => b.beds * b.hours - a.beds * a.hours)[0]
  if (!longest) throw new Error('no night')
  return (['by-list', 'perfect'] as const).map((player) => ({
    name: `night of ${longest.beds} beds and ${longest.hours} h, ${player} player`,
    value: timeOf(() => void playNight(player, longest, longest.seed, defaultProtocol)) / 1000,
    unit: 's',
    limit: 1,
  }))
}

/** A step of each bench's first slider, with what comes back from its worker. */
async function benchBenches(browser: TestBrowser): Promise<readonly Figure[]> {
  const figures: Figure[] = []
  for (const bench of benches.slice(0, sized(benches.length, 2))) {
    await browser.open(`/practice/bench/${bench.id}`)
    await browser.find('table', 'What follows')
    const work: number[] = []
    for (let turn = 0; turn < turns; turn++) {
      work.push(
        await mainThreadWork(
          browser,
          `const slider = document.querySelector('main input[type="range"]')
           const step = Number(slider.step) * (${turn % 2 === 0 ? 1 : -1})
           Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, String(Number(slider.value) + step))
           slider.dispatchEvent(new Event('input', { bubbles: true }))
           await new Promise((resolve) => setTimeout(resolve, ${answeredMs}))`,
        ),
      )
    }
    figures.push({
      name: `${bench.name}: control to redraw, main-thread work, median of ${turns - warmTurns}`,
      value: percentiles(work.slice(warmTurns)).median,
      unit: 'ms',
      limit: 16,
    })
  }
  return figures
}

/** From a tap on a step to the second frame after it, on the clock: it stands among what is done then. */
async function benchTick(browser: TestBrowser): Promise<Figure> {
  await browser.open(`/practice/station/${stationIdOf('leg-cast')}`)
  await browser.click('button', 'Start the clock')
  await browser.find('timer', 'Time left')
  const times: number[] = []
  for (let tick = 0; tick < sized(12, 2); tick++) {
    times.push(
      await browser.evaluateAsync<number>(
        `const done = arguments[arguments.length - 1]
         const count = () => document.querySelectorAll('section[aria-labelledby="done"] li').length
         const before = count()
         const start = performance.now()
         document.querySelector('section[aria-label="What you do next"] li button:not([disabled])').click()
         const look = () => (count() > before ? done(performance.now() - start) : requestAnimationFrame(look))
         look()`,
      ),
    )
  }
  return { name: 'station: tick to mark, median of 12', value: percentiles(times).median, unit: 'ms', limit: 50 }
}
