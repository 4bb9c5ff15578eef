import { expect } from 'chai'
import fc from 'fast-check'
import { judgeAngle, judgePull, strapsBefore, timersOf } from '#core/runs/step-work'
import { timerKinds, type StepStraps } from '#core/model/step'
import { handGrips, handWords, gripsNeeded } from '#core/runs/grips'
import { fetchFrom, fetchPlaces, itemsBeside } from '#core/planner/fetch-from'
import { findTechnique } from '#core/techniques/registry'
import { changedExample, exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const stepOf = (technique: string, id: string, change: Parameters<typeof changedExample>[1] = () => undefined) =>
  planFile(changedExample(technique, change)).procedure.steps.find((step) => step.id === id)

describe('an angle to hold', () => {
  const band = { lowDeg: 15, highDeg: 20 }
  for (const [deg, state] of [
    [14.9, 'below'],
    [15, 'held'],
    [20, 'held'],
    [20.1, 'above'],
    [-3, 'below'],
  ] as const) {
    it(`${deg}° is ${state} in 15 to 20`, () => expect(judgeAngle(band, deg)).to.equal(state))
  }
})

describe('a pull to take', () => {
  const pull = { expectedKg: 5, mostKg: 7 }
  for (const [kg, state] of [
    [0, 'short'],
    [4.4, 'short'],
    [4.5, 'near'],
    [5.5, 'near'],
    [6, 'beyond'],
    [7, 'beyond'],
    [7.1, 'over'],
  ] as const) {
    it(`${kg} kg is ${state} of 5, at most 7`, () => expect(judgePull(pull, kg)).to.equal(state))
  }

  it('never calls more pull less', () => {
    const order = ['short', 'near', 'beyond', 'over']
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }), (kg, more) => {
        expect(order.indexOf(judgePull(pull, kg + more))).to.be.at.least(order.indexOf(judgePull(pull, kg)))
      }),
    )
  })

  it('is that of the school: capped on skin, at most seven on a hitch, never to relief for who cannot say', () => {
    expect(stepOf('ring-traction', 'pull')?.pull?.mostKg).to.equal(5)
    expect(stepOf('ring-traction', 'pull', (file) => void (file.options['strips'] = 'non-adhesive'))?.pull?.mostKg).to.equal(3)
    const heavy = stepOf('frame-traction', 'pull', (file) => void (file.patient['massKg'] = 120))?.pull
    expect(heavy).to.include({ expectedKg: 7, mostKg: 7, toRelief: true })
    const silent = stepOf('frame-traction', 'pull', (file) => void (file.patient['flags'] = ['unresponsive']))?.pull
    expect(silent?.toRelief).to.equal(false)
  })
})

describe('straps', () => {
  const strap = (id: string) => ({ id, label: id, slackCm: null })
  const given: StepStraps = { order: 'given', straps: [strap('low'), strap('middle'), strap('top')] }

  it('must be closed in the order of the list where it binds', () => {
    expect(strapsBefore(given, 'top', []).map((one) => one.id)).to.deep.equal(['low', 'middle'])
    expect(strapsBefore(given, 'top', ['low', 'middle'])).to.deep.equal([])
    expect(strapsBefore(given, 'low', [])).to.deep.equal([])
  })

  it('may be closed in any order where it does not', () => {
    expect(strapsBefore({ ...given, order: 'any' }, 'top', [])).to.deep.equal([])
    expect(strapsBefore(given, 'unknown', [])).to.deep.equal([])
  })

  it('of a shell go from the lowest up when so chosen, each with the slack that was decided', () => {
    const work = stepOf(
      'trunk-shell',
      'straps',
      (file) => void Object.assign(file.options, { way: 'lying', 'strap-order': 'lowest-first', tightness: 'two-finger' }),
    )?.straps
    expect(work?.order).to.equal('given')
    expect(work?.straps.map((one) => one.id)).to.deep.equal(
      [3, 2, 1].flatMap((pair) => ['right', 'left'].map((side) => `strap-${side}-${pair}`)),
    )
    for (const one of work?.straps ?? []) expect(one.slackCm, one.id).to.be.within(0.5, 3)
    expect(
      stepOf('trunk-shell', 'straps', (file) => void Object.assign(file.options, { way: 'lying', 'strap-order': 'any' }))?.straps?.order,
    ).to.equal('any')
  })
})

describe('the work of the steps, for every technique', () => {
  for (const id of techniqueIds) {
    const plan = planFile(exampleOf(id))
    const { steps } = plan.procedure
    const ids = steps.map((step) => step.id)

    it(`${id}: timers have a length, a kind, an end that exists, and ids of their own in a step`, () => {
      for (const step of steps) {
        const timers = timersOf(step)
        expect(new Set(timers.map((timer) => timer.id)).size, step.id).to.equal(timers.length)
        for (const timer of timers) {
          expect(timer.minutes).to.be.greaterThan(0)
          expect(timerKinds).to.include(timer.kind)
          if (timer.until) expect(ids, `${step.id} ${timer.id}`).to.include(timer.until)
        }
      }
    })

    it(`${id}: what is wetted has wetting, setting, hold and cure`, () => {
      if (!steps.some((step) => step.wet)) return expect(steps.flatMap(timersOf).map((timer) => timer.id)).not.to.include('set')
      const timers = steps.flatMap(timersOf).map((timer) => timer.id)
      expect(timers).to.include.members(id === 'leg-cast' ? ['set', 'hold', 'cure', 'cool'] : ['wetting', 'set', 'hold', 'cure'])
    })

    it(`${id}: angles aim inside their band, straps have names of their own, a pull stays within its most`, () => {
      for (const step of steps) {
        for (const angle of step.angles ?? []) expect(angle.targetDeg).to.be.within(angle.lowDeg, angle.highDeg)
        const straps = step.straps?.straps ?? []
        expect(new Set(straps.map((strap) => strap.id)).size).to.equal(straps.length)
        if (step.pull) expect(step.pull.expectedKg).to.be.at.most(step.pull.mostKg)
      }
    })

    it(`${id}: says what to do when something is wrong, the urgent first, and how it comes off`, () => {
      const technique = findTechnique(id)
      const troubles = technique?.troubles ?? []
      expect(troubles.length).to.be.at.least(4)
      expect(new Set(troubles.map((trouble) => trouble.id)).size).to.equal(troubles.length)
      expect(troubles[0]?.level).to.equal('urgent')
      for (const trouble of troubles) {
        expect(trouble.actions.length, trouble.id).to.be.at.least(2)
        for (const action of trouble.actions) expect(action, trouble.id).to.match(/[.:”]$/)
      }
      expect(troubles.map((trouble) => trouble.id)).to.include('new-numbness')
      expect(technique?.onUrgent.actions.length).to.be.at.least(1)
    })

    it(`${id}: lays out things that are fetched from somewhere, none of them twice`, () => {
      const items = steps.find((step) => step.items)?.items ?? []
      expect(items.length).to.be.at.least(2)
      for (const item of items) expect(fetchPlaces).to.include(fetchFrom(item))
      const beside = itemsBeside(items, plan.materials)
      expect(beside.length).to.be.at.most(items.length)
      if (plan.materials.some((material) => material.id === 'slab')) expect(beside).not.to.include('slab')
    })

    it(`${id}: names every place of hands`, () => {
      const places = gripsNeeded(steps)
      expect(places[0]).to.equal('apply')
      expect(handGrips).to.include.members([...places])
      for (const place of places) expect(handWords(place, plan.geometry.body)).to.match(/\S/)
    })
  }
})

describe('a brace without an order', () => {
  it('waits at its stops until one is entered', () => {
    const unordered = planFile(exampleOf('hinged-knee-brace-not-ordered')).procedure.steps.find((step) => step.id === 'stops')
    expect(unordered?.waitsFor).to.include('Enter the order')
    expect(stepOf('hinged-knee-brace', 'stops')?.waitsFor).to.equal(undefined)
  })
})
