import { isDeepStrictEqual } from 'node:util'
import { expect } from 'chai'
import type { Plan } from '#core/model/plan'
import { findStation, planOfStation, shippedStations } from '#core/practice/stations/shipped-stations'
import { readStationFile, writeStationFile } from '#core/practice/stations/read-station'
import { mustsOfStep } from '#core/runs/check-order'
import { scoreStation } from '#core/practice/stations/score-station'
import { criticalIds, toTenth, type Station, type StationRun } from '#core/practice/stations/station'
import { techniques } from '#core/techniques/registry'
import { testContext } from '../../harness/cases/leg-slab-cases'

const ctx = testContext()
const stations = shippedStations(ctx)
const stationOf = (technique: string): Station => {
  const station = stations.find((one) => one.technique === technique)
  if (!station) throw new Error(`no station for ${technique}`)
  return station
}
const planOf = (station: Station): Plan => {
  const plan = planOfStation(station, ctx)
  if (!plan) throw new Error('no plan')
  return plan
}
/** Every required step in the procedure's order, ten seconds apart, and every figure right. */
function perfectRun(station: Station, plan: Plan): StationRun {
  const required = new Set(station.required)
  const ticks = plan.procedure.steps
    .filter((step) => required.has(step.id))
    .map((step, index) => ({ stepId: step.id, atMs: (index + 1) * 10_000 }))
  return {
    ticks,
    criticals: [],
    answers: station.asked.map(({ decision }) => ({ decision, given: Number(plan.decisions.find((one) => one.id === decision)?.value) })),
    endedMs: ticks.at(-1)?.atMs ?? 0,
  }
}

describe('stations', () => {
  it('are shipped for each technique, by another school of each too, and on other people', () => {
    expect(stations.slice(0, techniques.length).map((station) => station.technique)).to.deep.equal(
      techniques.map((technique) => technique.id),
    )
    for (const { id } of techniques)
      expect(
        stations.some((station) => station.technique === id && Object.keys(station.options).length > 0),
        `another school of ${id}`,
      ).to.equal(true)
    expect(stations.filter(({ id }) => id.startsWith('mixed-'))).to.have.length(5)
    expect(new Set(stations.map((station) => station.id)).size).to.equal(stations.length)
    for (const station of stations.slice(techniques.length)) {
      const plan = planOf(station)
      const usual = planOf(stationOf(station.technique))
      const isAsUsual = isDeepStrictEqual(
        [station.options, plan.decisions.map((decision) => decision.value)],
        [{}, usual.decisions.map((decision) => decision.value)],
      )
      expect(isAsUsual, station.name).to.equal(false)
      expect(findStation(station.id, ctx)).to.deep.equal(station)
    }
    expect(findStation('shipped-catapult', ctx)).to.equal(null)
  })

  it('give an assistant where somebody else holds, and the survey as done where a leg is pulled', () => {
    const frame = stationOf('frame-traction')
    expect(frame.given.join(' ')).to.match(/survey is done.*acts only when you say so/)
    expect(frame.criticals).to.include.members(['assistant-undirected', 'hands-changed-unsaid', 'pull-let-go'])
    const boot = stationOf('walker-boot')
    expect(boot.given.join(' ')).not.to.match(/assistant|survey/)
    expect(boot.criticals).not.to.include('assistant-undirected')
  })

  for (const station of stations) {
    it(`${station.name}: can be read as a file, and a perfect run has 100`, () => {
      const plan = planOf(station)
      const read = readStationFile(JSON.parse(JSON.stringify(writeStationFile(station))), () => plan.procedure.steps.map((step) => step.id))
      expect(read.problems).to.deep.equal([])
      expect(read.station).to.deep.equal(station)
      const score = scoreStation(station, plan, perfectRun(station, plan))
      expect(score.total).to.equal(100)
      expect(score.hasPassed).to.equal(true)
      expect(score.missing).to.deep.equal([])
      expect(score.pairs.every((pair) => !pair.isBroken)).to.equal(true)
    })
  }
})

describe('the score of a station, worked by hand', () => {
  // A frame of two bars: one direct link broken, two required steps left out, a figure 1.5 tolerances off, the pull let go, 750 s of 600.
  const base = stationOf('frame-traction')
  const plan = planOf(base)
  const [asked] = plan.decisions.filter((decision) => typeof decision.value === 'number')
  const station: Station = { ...base, asked: asked ? [{ decision: asked.id, tolerance: 2 }] : [] }
  const perfect = perfectRun(station, plan)

  it('adds its parts: 40 order, 30 completeness, 20 numbers, 10 time; and what is critical fails it all the same', () => {
    const { steps } = plan.procedure
    const late = steps.findLast((step) => (step.musts?.length ?? 0) > 0 && station.required.includes(step.id))
    const first = late?.musts?.map(({ before }) => before).findLast((before) => station.required.includes(before))
    expect(first, 'a link to break').to.be.a('string')
    const ids = perfect.ticks.map((tick) => tick.stepId)
    // The later of the pair is ticked just before the earlier one.
    const order = ids.flatMap((id) => (id === late?.id ? [] : id === first ? [late?.id ?? '', id] : [id]))
    const left = order.filter((id) => !steps.some((step) => step.after.includes(id)) && id !== late?.id).slice(-1)
    const done = order.filter((id) => !left.includes(id))
    const run: StationRun = {
      ticks: done.map((stepId, index) => ({ stepId, atMs: (index + 1) * 5_000 })),
      criticals: [{ id: 'pull-let-go', atMs: 42_300 }],
      answers: [{ decision: asked?.id ?? '', given: Number(asked?.value) + 3 }],
      endedMs: 750_000,
    }
    const links = steps
      .flatMap((step) => mustsOfStep(step, steps).map(({ before }) => [before, step.id] as const))
      .filter(([a, b]) => done.includes(a) && done.includes(b))
    const broken = links.filter(([a, b]) => done.indexOf(a) > done.indexOf(b))
    expect(broken.length).to.be.at.least(1)
    const score = scoreStation(station, plan, run)
    const whole = (station.required.length - left.length) / station.required.length
    expect(score.parts.order).to.be.closeTo(whole * (1 - broken.length / links.length), 1e-12)
    expect(score.parts.completeness).to.be.closeTo(whole, 1e-12)
    expect(score.parts.numbers).to.be.closeTo(1 - 3 / (3 * 2), 1e-12)
    expect(score.parts.time).to.be.closeTo(whole * 0.5, 1e-12)
    const by = 40 * whole * (1 - broken.length / links.length) + 30 * whole + 20 * 0.5 + 10 * whole * 0.5
    expect(score.total).to.be.closeTo(by, 0.05)
    expect(score.hasPassed).to.equal(false)
    expect(score.criticals).to.deep.equal(['pull-let-go'])
    expect(score.pairs.filter((pair) => pair.isBroken).map((pair) => `${pair.before} ${pair.after}`)).to.deep.equal(
      broken.map((one) => one.join(' ')),
    )
    for (const pair of score.pairs) expect(pair.why, pair.before).to.not.equal('')
  })

  it('takes time from 1 at the limit to 0 at one and a half times it', () => {
    const at = (endedMs: number): number => scoreStation(station, plan, { ...perfect, endedMs }).parts.time
    expect(at(0)).to.equal(1)
    expect(at(600_000)).to.equal(1)
    expect(at(660_000)).to.be.closeTo(0.8, 1e-12)
    expect(at(900_000)).to.equal(0)
    expect(at(9_000_000)).to.equal(0)
  })

  it('counts what was not asked and what has no pair as whole, and nothing given as nothing', () => {
    const bare = scoreStation({ ...station, asked: [] }, plan, { ticks: [], criticals: [], answers: [], endedMs: null })
    // Nothing done is nothing in order and nothing in time.
    expect(bare.parts).to.deep.equal({ order: 0, completeness: 0, numbers: 1, time: 0 })
    expect(bare.total).to.equal(20)
    const none = scoreStation({ ...station, asked: [], required: [] }, plan, { ticks: [], criticals: [], answers: [], endedMs: null })
    expect(none.parts).to.deep.equal({ order: 1, completeness: 1, numbers: 1, time: 1 })
    expect(scoreStation(station, plan, { ...perfect, answers: [] }).parts.numbers).to.equal(0)
  })

  it('reads an answer with a comma, refuses text, and takes the last one given', () => {
    const right = Number(asked?.value)
    const share = (...given: (number | string)[]): number =>
      scoreStation(station, plan, { ...perfect, answers: given.map((one) => ({ decision: asked?.id ?? '', given: one })) }).parts.numbers
    expect(share(String(right).replace('.', ','))).to.equal(1)
    expect(share('a lot')).to.equal(0)
    expect(share('')).to.equal(0)
    expect(share(0, right)).to.equal(1)
    expect(share(right + 6)).to.equal(0)
  })

  it('takes the decision’s own doubt, else 5 %, where the author gives no tolerance', () => {
    const own = { ...station, asked: [{ decision: asked?.id ?? '', tolerance: null }] }
    const mark = scoreStation(own, plan, perfect).numbers[0]
    const wanted = asked?.sd && asked.sd > 0 ? asked.sd : Math.abs(Number(asked?.value)) * 0.05
    expect(mark?.tolerance).to.be.closeTo(wanted, 1e-12)
  })

  it('counts a step once, by its first tick, in the order of time whatever order they came in', () => {
    const [first, second] = perfect.ticks
    const twice = scoreStation(station, plan, {
      ...perfect,
      ticks: [...perfect.ticks].reverse().concat(first ? [{ ...first, atMs: 400_000 }] : []),
    })
    expect(twice.pairs.every((pair) => !pair.isBroken)).to.equal(true)
    expect(twice.steps[0]).to.deep.equal({ stepId: first?.stepId, atMs: 10_000, tookMs: 10_000 })
    expect(twice.steps[1]?.stepId).to.equal(second?.stepId)
    expect(toTenth(12_349)).to.equal(12_300)
  })

  it('passes over ticks of steps that there are not', () => {
    const strange = scoreStation(station, plan, { ...perfect, ticks: [...perfect.ticks, { stepId: 'whistle', atMs: 5 }] })
    expect(strange.total).to.equal(scoreStation(station, plan, perfect).total)
  })
})

describe('stations that somebody made', () => {
  const good = stationOf('leg-slab')
  const steps = (): readonly string[] => planOf(good).procedure.steps.map((step) => step.id)
  const faults = (change: object, whole: object = {}): string =>
    readStationFile({ format: 'zesty-wren/station', version: 1, station: { ...good, ...change }, ...whole }, steps)
      .problems.map(({ field, message }) => `${field}: ${message}`)
      .join('\n')

  for (const [what, change, wanted] of [
    ['no steps', { required: [] }, /required: A station needs at least one required step/],
    ['a step of another technique', { required: ['ring-set'] }, /required: ring-set is no step of this technique/],
    ['weights of zero', { weights: { order: 0 } }, /weights: The parts of every station are worth the same/],
    ['a time limit of zero', { limitS: 0 }, /limitS: The time limit has to be 30 to 10800 seconds/],
    ['a time limit of words', { limitS: 'soon' }, /limitS: The time limit/],
    ['a tolerance of zero', { asked: [{ decision: 'slab-width', tolerance: 0 }] }, /asked\/0\/tolerance: The tolerance has to be above 0/],
    ['a figure that is no decision', { asked: [{ decision: 'mood' }] }, /asked\/0: The figure asked for is no decision/],
    ['an error that is none', { criticals: ['sneezed'] }, /criticals: sneezed is no critical error/],
    ['a technique that there is not', { technique: 'catapult' }, /technique: The technique is not known/],
    ['no name', { name: '  ' }, /name: The name is missing/],
    ['a patient of no weight', { patient: { ...good.patient, massKg: 0 } }, /patient\/massKg: The weight has to be/],
    ['a prompt without words', { prompts: [{ atS: 5 }] }, /prompts\/0: A prompt needs/],
    ['a question without an answer', { onAsking: [{ ask: 'Pulse?' }] }, /onAsking\/0: A question needs/],
  ] as const) {
    it(`refuses ${what}, with field, reason and remedy`, () => expect(faults(change)).to.match(wanted))
  }

  it('refuses what is no station at all', () => {
    for (const file of [null, 7, [], {}, { format: 'zesty-wren/station' }, { format: 'zesty-wren/case', station: {} }])
      expect(readStationFile(file, steps).problems[0]?.message).to.match(/no station/)
  })

  it('knows every critical error by its id', () => expect(faults({ criticals: criticalIds })).to.equal(''))
})
