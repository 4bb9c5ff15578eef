import { planFile } from '../harness/cases/leg-slab-cases'
import { exampleOf } from '../harness/cases/example-cases'
import { printTemplate } from '../../src/server/papers/template-paper'
import { isCutOut } from '#contract/api/papers'
import { signIn, startBrowser, type TestBrowser } from '../harness/browser/browser'
import { startLiveServer } from '../harness/live-server'
import { shownStep } from '../harness/cases/run-steps'
import { quietRound, seedCase, sendRound, startRun } from '../harness/seed-case'
import { mainThreadWork } from './browser-bench'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

const runs = sized(3, 1)
/** A back slab has nineteen steps: so many are done. */
const steps = sized(19, 3)

/** Make ready and Apply: a step change on screen, the heat map in two workers, the template on paper. */
export async function benchRuns(): Promise<readonly Figure[]> {
  const server = await startLiveServer()
  const browser = await startBrowser(server.address, { keepsApplication: true })
  await browser.setViewport(1280, 800)
  await signIn(browser, 'isolde', server.password)
  await browser.driver.sendAndGetDevToolsCommand('Performance.enable', {})
  const steps = await benchSteps(browser)
  return [...steps, ...(await benchSweep(browser)), ...(await benchTemplate())]
}

/** Main-thread work from finishing a step to the second frame after it, over three runs of a back slab. */
async function benchSteps(browser: TestBrowser): Promise<readonly Figure[]> {
  const work: number[] = []
  for (let run = 0; run < runs; run++) {
    const seeded = await seedCase(browser, 'leg-slab')
    await sendRound(browser, seeded, quietRound('leg-slab'), true)
    await startRun(browser, seeded)
    // Looking by role switches the accessibility tree on, which nobody pays for who does not use it.
    await browser.driver.sendAndGetDevToolsCommand('Accessibility.disable', {})
    for (let step = 1; step < steps; step++) {
      const before = (await shownStep(browser)).split(':')[0] ?? ''
      const own = `document.querySelector('section[aria-label="${before}"] div.sticky button')`
      await browser.driver.wait(
        async () => browser.evaluate(`return ${own} !== null && ${own}.ariaDisabled !== "true" && !${own}.disabled`),
        8_000,
      )
      work.push(await mainThreadWork(browser, `${own}.click()`))
      // A hold that ends before its clock asks why.
      const early = `[...document.querySelectorAll('[role=dialog] button')].find((one) => one.innerText === 'It is hard')?.click()`
      await browser.driver.wait(async () => {
        await browser.evaluate(early)
        return (await shownStep(browser)).split(':')[0] !== before
      }, 8_000)
    }
  }
  // The first run warms the page up.
  const { median, p95 } = percentiles(work.slice(runs > 1 ? steps - 1 : 0))
  return [
    { name: 'step change, main-thread work, median of 36', value: median, unit: 'ms', limit: 16 },
    { name: 'step change, main-thread work, 95th percentile', value: p95, unit: 'ms', limit: 33 },
  ]
}

/** The whole map with two workers, and the longest task of the page meanwhile. */
async function benchSweep(browser: TestBrowser): Promise<readonly Figure[]> {
  const seeded = await seedCase(browser, 'leg-slab')
  await browser.driver.sendAndGetDevToolsCommand('Emulation.setHardwareConcurrencyOverride', { hardwareConcurrency: 3 })
  await browser.open(`/case/${seeded.caseId}/make-ready`)
  await browser.find('button', 'Map of water and layers')
  await browser.waitForText('In this estimate the skin is warmest')
  const [seconds, longest]: [number, number] = await browser.evaluateAsync(
    `const [done] = arguments
     let longest = 0
     new PerformanceObserver((list) => { for (const one of list.getEntries()) longest = Math.max(longest, one.duration) }).observe({ type: 'longtask' })
     const button = [...document.querySelectorAll('button')].find((one) => one.textContent === 'Map of water and layers')
     const start = performance.now()
     button.click()
     const look = () => {
       if (document.querySelectorAll('figure svg g text').length < 224) return setTimeout(look, 30)
       const seconds = (performance.now() - start) / 1000
       setTimeout(() => done([seconds, longest]), 300)
     }
     look()`,
  )
  return [
    { name: 'heat map 16 × 14 in two workers', value: seconds, unit: 's', limit: 4 },
    { name: 'longest main-thread task during the map (0: none above 50)', value: longest, unit: 'ms', limit: 50 },
  ]
}

async function benchTemplate(): Promise<readonly Figure[]> {
  const { polygons } = planFile(exampleOf('leg-slab')).geometry
  const label = { who: 'Bench', what: 'Back slab', printedAt: 'today' }
  const times: number[] = []
  for (let count = 0; count < sized(10, 1); count++) {
    const start = performance.now()
    await printTemplate(polygons.filter(isCutOut), 'a4', label)
    times.push(performance.now() - start)
  }
  return [{ name: 'template PDF, slowest of ten', value: Math.max(...times) / 1000, unit: 's', limit: 1.5 }]
}
