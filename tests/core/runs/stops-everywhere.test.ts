import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import type { Caution, Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { hasStepRole } from '#core/model/step-role'
import { injuryFlags, patientFlags } from '#core/model/vocabulary'
import { stopsOn, waitsForOrder, waysOn, type StepState } from '#core/runs/what-binds'
import { optionValues } from '#core/planner/technique'
import { planCase } from '#core/techniques/plan-case'
import { findTechnique, techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const ctx = testContext()
type Ways = 'done' | 'go on' | 'skip' | 'skip over it'

/** Plans of a technique that hold every stop it can raise by flags, water and missing orders. */
function stopped(id: string): readonly Plan[] {
  const technique = findTechnique(id)!
  const { clinicalCase } = readCase(exampleOf(id))
  if (!clinicalCase) throw new Error(id)
  const cases: readonly ClinicalCase[] = [
    ...injuryFlags.map((flag) => ({ ...clinicalCase, injury: { ...clinicalCase.injury, flags: [flag] } })),
    ...patientFlags.map((flag) => ({ ...clinicalCase, patient: { ...clinicalCase.patient, flags: [flag] } })),
    { ...clinicalCase, environment: { ...clinicalCase.environment, waterC: 55 } },
    { ...clinicalCase, orders: {} },
    ...technique.options.flatMap((option) =>
      optionValues(option, ctx.protocol).map((value) => ({
        ...clinicalCase,
        options: { ...clinicalCase.options, [option.id]: value.id },
        orders: {},
      })),
    ),
  ]
  return cases.flatMap((one) => planCase(one, ctx) ?? [])
}

/** Every way in which somebody may leave a step, as the screen offers them. */
function waysFrom(plan: Plan, step: Step, states: ReadonlyMap<string, StepState>, isCalled: boolean): readonly Ways[] {
  const facts = { steps: plan.procedure.steps, states, cautions: plan.cautions, dangers: [], isOpening: false }
  const ways = waysOn(step, stopsOn(step, facts), isCalled)
  return [
    ...(ways.isDoneFree ? (['done'] as const) : []),
    ...(ways.isSkipFree ? (['skip'] as const) : []),
    ...(ways.despite === 'with-reason' ? (['go on', 'skip over it'] as const) : []),
  ]
}

const putsOn = (step: Step): boolean => hasStepRole(step, 'closes', 'wraps', 'pulls', 'lays-on', 'wets')

describe('a stop holds everywhere', () => {
  // Nothing holds back a run that opens.
  for (const { id } of techniques.filter((technique) => !technique.opensCasts)) {
    it(`${id}: no way of going on passes a stop, or an order that is missing, without a reason`, () => {
      let walked = 0
      for (const plan of stopped(id)) {
        const stops = plan.cautions.filter((caution) => caution.level === 'stop')
        if (stops.length === 0 && !plan.procedure.steps.some((step) => step.waitsFor)) continue
        walked++
        walk(plan, stops)
      }
      expect(walked, `${id} has nothing that stops it`).to.be.greaterThan(0)
    })
  }

  it('water of 55 °C: a cast, a slab and a strip offer neither going on nor passing it by', () => {
    for (const id of ['leg-cast', 'leg-slab', 'volar-slab', 'slab-and-stirrup']) {
      const plan = stopped(id).find((one) => one.cautions.some((caution) => caution.code === 'hot-water'))
      const bound = plan?.procedure.steps.filter((step) =>
        plan.cautions.some((caution) => caution.code === 'hot-water' && caution.steps.includes(step.id)),
      )
      expect(bound?.length, id).to.be.greaterThan(0)
      for (const step of bound ?? []) expect(waysFrom(plan!, step, new Map(), true), `${id} ${step.id}`).to.deep.equal([])
    }
  })

  it('a brace without orders: its stops can only be ordered', () => {
    const plan = stopped('hinged-knee-brace').find((one) => one.procedure.steps.some((step) => step.waitsFor))
    const step = plan?.procedure.steps.find((one) => one.waitsFor)
    expect(step).to.not.equal(undefined)
    expect(waysFrom(plan!, step!, new Map(), true)).to.deep.equal([])
  })
})

/** Goes through a run with every way of leaving each step, and never gets to something put on with a stop unanswered. */
function walk(plan: Plan, stops: readonly Caution[]): void {
  for (const way of ['done', 'skip'] as const) {
    const states = new Map<string, StepState>()
    for (const step of plan.procedure.steps) {
      const facts = { steps: plan.procedure.steps, states, cautions: plan.cautions, dangers: [], isOpening: false }
      const bound = stopsOn(step, facts)
      const ways = waysFrom(plan, step, states, false)
      if (bound.some((one) => one.isFixed)) expect(ways, `${plan.technique} ${step.id}`).to.deep.equal([])
      else if (bound.length > 0) expect(ways).to.not.include.members([way])
      const named = stops.filter((one) => one.steps.includes(step.id) && !hasStepRole(step, 'opens', 'eases', 'takes-off'))
      const isHeadTaken = step.holds?.what === 'head' && step.holds.from === step.id
      if (!isHeadTaken)
        for (const stop of named)
          expect(
            bound.map((one) => one.code),
            `${plan.technique}: ${stop.code} does not bind ${step.id}`,
          ).to.include(stop.code)
      // Passed by all the same, whatever it cost: what puts something on afterwards is bound by it.
      if (bound.length > 0) states.set(step.id, { outcome: 'skipped', despite: bound.map((one) => one.code) })
      else if (ways.includes(way)) states.set(step.id, { outcome: way === 'done' ? 'done' : 'skipped', despite: [] })
      const passed = stops.filter((stop) => stop.steps.some((one) => states.get(one)?.outcome === 'skipped'))
      const later = plan.procedure.steps.slice(plan.procedure.steps.indexOf(step) + 1).find(putsOn)
      if (later)
        for (const stop of passed.filter((caution) => !caution.steps.some((each) => states.get(each)?.outcome === 'done')))
          expect(
            stopsOn(later, { ...facts, states }).map((one) => one.code),
            `${plan.technique}: ${stop.code} was passed by and does not bind ${later.id}`,
          ).to.include(stop.code)
    }
    if (stops.some((stop) => stop.isFloor) || plan.procedure.steps.some((step) => step.waitsFor))
      expect(
        [...states.values()].some((state) => state.outcome === 'skipped' && state.despite.some((code) => code === waitsForOrder || code)),
      ).to.equal(true)
  }
}
