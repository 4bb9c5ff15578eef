import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { sites } from '#core/rounds/item-sites'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { Geometry } from '#core/model/geometry'
import { planCase } from '#core/techniques/plan-case'
import type { LaneLayer } from '../../src/web/lane/lane-props'
import { startBrowser, type TestBrowser } from '../harness/browser/browser'
import { changedExample, techniqueIds } from '../harness/cases/example-cases'
import { startLanePage } from '../harness/browser/lane-page'
import type { LaneWish } from '../harness/browser/lane-page/show-lane'
import { testContext } from '../harness/cases/leg-slab-cases'
import { patienceMs } from '../harness/patience'
import { makeDraws } from '../harness/cases/random-draws'

/** Enough that each stage is drawn at each width; every technique has so many. */
const bodies = 20
const context = testContext()
/** What the stages lay over the lane, with what they light. */
const stages: readonly { readonly layers: readonly LaneLayer[]; readonly hasHands: boolean; readonly hasFindings?: true }[] = [
  { layers: ['readings'], hasHands: false },
  { layers: ['readings', 'slab', 'sheet'], hasHands: false },
  { layers: ['padding', 'slab', 'bandage'], hasHands: true },
  { layers: ['padding', 'slab', 'points'], hasHands: false },
  { layers: ['slab'], hasHands: false, hasFindings: true },
]
/** One of what stands at every place there is, more than a patient ever has. */
const findings: readonly LimbFinding[] = sites.map((site, index) => ({
  site,
  level: index % 3 === 0 ? 'urgent' : 'warn',
  label: `feeling at the ${site}`,
  short: index % 4 === 0 ? 'colour, refill, swelling' : 'feeling',
  ...(site === 'feeling-line' ? { feelingLevel: 'T8' } : {}),
}))
const hands = [
  { place: 'apply', label: 'You', isActive: true },
  { place: 'hold-distal', label: 'Bram Achterberg', isActive: false },
  { place: 'hold-joint', label: 'second person', isActive: true },
  { place: 'hold-proximal', label: 'third person', isActive: false },
] as const

/** A body of a stature from a small child's to a tall adult's, thin or stout, each reading a little off the rest. */
function bodyOf(seed: number, technique: string): Geometry {
  const between = makeDraws(seed * 7919 + 1)
  const stature = between(85, 205)
  const build = between(0.82, 1.3)
  const { clinicalCase, problems } = readCase(
    changedExample(technique, (file) => {
      const before = Number(file.patient['heightCm'] ?? 170)
      const scale = stature / before
      file.patient['heightCm'] = Math.round(stature)
      if (seed % 2 === 0) file.injury['side'] = file.injury['side'] ? 'right' : file.injury['side']
      for (const reading of file.measurements) {
        if (typeof reading['value'] !== 'number') continue
        const isGirth = String(reading['id']).endsWith('girth')
        reading['value'] = Math.round(reading['value'] * scale * (isGirth ? build : 1) * between(0.93, 1.07) * 10) / 10
      }
    }),
  )
  const plan = clinicalCase && planCase(clinicalCase, context, problems)
  if (!plan) throw new Error(`body ${seed} is no case: ${JSON.stringify(problems)}`)
  return plan.geometry
}

describe('labels of the drawings', () => {
  let browser: TestBrowser
  let page: Awaited<ReturnType<typeof startLanePage>>
  before(async () => {
    page = await startLanePage()
    browser = await startBrowser(page.address)
    await browser.setViewport(1280, 800)
    await browser.open('/')
    const isReady = (): Promise<boolean> => browser.evaluate(`return typeof window.showLanes === 'function'`)
    await browser.driver.wait(isReady, patienceMs, 'the page that draws lanes did not come')
  })
  after(() => page.close())

  for (const technique of techniqueIds) {
    it(`${technique}: never meet, leave the frame, or lie over what they name, on ${bodies} bodies`, async () => {
      const wishes = Array.from({ length: bodies }, (_, seed): LaneWish => {
        const geometry = bodyOf(seed, technique)
        const stage = stages[seed % stages.length] ?? stages[0]!
        const measured = geometry.stations[seed % Math.max(1, geometry.stations.length)]
        return {
          name: `body ${seed}, ${stage.layers.join(' ')}`,
          geometry,
          units: seed % 3 === 0 ? 'inches' : 'metric',
          layers: stage.layers,
          lit: seed % 5 === 0 && measured ? [measured.id] : [],
          hands: stage.hasHands ? hands : [],
          findings: stage.hasFindings ? findings.filter((_, index) => (index + seed) % 3 > 0) : [],
          widthPx: [358, 560, 720, 1100][Math.floor(seed / 4) % 4] ?? 720,
        }
      })
      const found = await browser.evaluate<{ faults: readonly string[]; labels: number }>(
        `return window.showLanes(JSON.parse(arguments[0]))`,
        JSON.stringify(wishes),
      )
      expect(found.faults.slice(0, 12).join('\n'), `${found.faults.length} faults`).to.equal('')
      expect(found.labels).to.be.greaterThan(bodies)
    }).timeout(60_000)
  }
})
