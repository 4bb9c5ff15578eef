import { expect } from 'chai'
import { leftUndone } from '#core/practice/stations/left-undone'
import { scoreStation } from '#core/practice/stations/score-station'
import { findStation, planOfStation, shippedStations, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station, StationRun } from '#core/practice/stations/station'
import type { Plan } from '#core/model/plan'

function stationOf(technique: string): { readonly station: Station; readonly plan: Plan } {
  const station = findStation(stationIdOf(technique), stationContext)!
  return { station, plan: planOfStation(station, stationContext)! }
}

/** Every step in the order of the procedure, ten seconds each, but for some; everything that is asked answered right. */
function runWithout(plan: Plan, station: Station, left: (id: string) => boolean, endedMs: number | null = 300_000): StationRun {
  const ids = plan.procedure.steps.map((step) => step.id).filter((id) => !left(id))
  const answers = station.asked.map(({ decision }) => ({
    decision,
    given: plan.decisions.find((one) => one.id === decision)?.value as number,
  }))
  return { ticks: ids.map((stepId, index) => ({ stepId, atMs: (index + 1) * 10_000 })), criticals: [], answers, endedMs }
}

describe('what was left undone', () => {
  for (const station of shippedStations(stationContext)) {
    const plan = planOfStation(station, stationContext)!
    it(`${station.name}: nothing is, in a whole run; without its looks it fails`, () => {
      expect(
        leftUndone(
          station,
          plan,
          runWithout(plan, station, () => false),
        ),
      ).to.deep.equal([])
      const blind = leftUndone(
        station,
        plan,
        runWithout(plan, station, (id) => id === 'baseline' || id === 'after-check'),
      )
      expect(blind).to.include.members(['circulation-before', 'circulation-after'])
      if (station.criticals.includes('wrong-side'))
        expect(
          leftUndone(
            station,
            plan,
            runWithout(plan, station, (id) => id === 'identity'),
          ),
        ).to.deep.equal(['wrong-side'])
    })
  }

  it('whatever a required step takes by hand, head or pull, fails a station where nobody takes it: also of trunk and vest', () => {
    const seen = new Set<string>()
    for (const station of shippedStations(stationContext)) {
      const plan = planOfStation(station, stationContext)!
      for (const what of ['head', 'pull'] as const) {
        const takers = plan.procedure.steps.filter((step) => step.holds?.what === what && step.holds.from === step.id)
        if (!takers.some((step) => station.required.includes(step.id))) continue
        const run = runWithout(plan, station, (id) => takers.some((step) => step.id === id))
        expect(leftUndone(station, plan, run), station.name).to.deep.equal([`${what}-let-go`])
        seen.add(`${station.technique} ${what}`)
      }
    }
    expect([...seen]).to.include.members([
      'trunk-shell head',
      'seated-vest head',
      'care-collar head',
      'ring-traction pull',
      'frame-traction pull',
    ])
  })

  it('a neck that nobody held fails its station, and one that was held too late', () => {
    const { station, plan } = stationOf('extrication-collar')
    const unheld = runWithout(plan, station, (id) => id === 'hold-head')
    expect(leftUndone(station, plan, unheld)).to.deep.equal(['head-let-go'])
    expect(scoreStation(station, plan, unheld).hasPassed).to.equal(false)
    const late = { ...unheld, ticks: [...unheld.ticks, { stepId: 'hold-head', atMs: 290_000 }] }
    expect(leftUndone(station, plan, late)).to.deep.equal(['head-let-go'])
  })

  it('a pull that nobody took by hand fails its station', () => {
    const { station, plan } = stationOf('frame-traction')
    expect(
      leftUndone(
        station,
        plan,
        runWithout(plan, station, (id) => id === 'manual-pull'),
      ),
    ).to.deep.equal(['pull-let-go'])
  })

  it('is asked only where the station requires the step, and once the run has ended', () => {
    const { station, plan } = stationOf('extrication-collar')
    const run = runWithout(plan, station, (id) => id === 'hold-head')
    const free = { ...station, required: station.required.filter((id) => id !== 'hold-head') }
    expect(leftUndone(free, plan, run)).to.deep.equal([])
    expect(leftUndone(station, plan, { ...run, endedMs: null })).to.deep.equal([])
  })

  it('four of sixteen steps earn a quarter of order and time; an old sheet keeps its score', () => {
    const { station, plan } = stationOf('leg-slab')
    const first = plan.procedure.steps.slice(0, 4).map((step) => step.id)
    const run = runWithout(plan, station, (id) => !first.includes(id))
    const score = scoreStation(station, plan, run)
    const share = 4 / station.required.length
    expect(score.parts.order).to.be.closeTo(share, 1e-12)
    expect(score.parts.time).to.be.closeTo(share, 1e-12)
    const { rules: _, ...old } = station
    const before = scoreStation(old, plan, run)
    expect(before.parts.order).to.equal(1)
    expect(before.hasPassed).to.equal(true)
  })

  it('asks the setting of a collar among its figures', () => {
    expect(stationOf('extrication-collar').station.asked.map((figure) => figure.decision)).to.include('setting')
  })
})
