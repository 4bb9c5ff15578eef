import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import type { Step } from '#core/model/step'
import { hasStepRole, onRoles } from '#core/model/step-role'
import { optionValues, type Technique } from '#core/planner/technique'
import { stopsOn } from '#core/runs/what-binds'
import { isOfChangeOver, underOldId } from '#core/techniques/change-over'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { takenBy } from '#core/techniques/shared/coming-off'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const ctx = testContext()

function caseOf(id: string): ClinicalCase {
  const { clinicalCase } = readCase(exampleOf(id))
  if (!clinicalCase) throw new Error(id)
  return clinicalCase
}

function isColumn({ onUrgent: { holds } }: Technique): boolean {
  return holds === 'head' || holds === 'spine'
}

/** Devices that one may go on in place of another: both are worn, and one part of the body wears either. */
function mayReplace(old: Technique, next: Technique): boolean {
  if (old.id === next.id || old.opensCasts || next.opensCasts) return false
  if (isColumn(old) || isColumn(next)) return isColumn(old) && isColumn(next)
  const parts = (technique: Technique): readonly string[] => [technique.bodyRegion].flat()
  return parts(old).some((part) => parts(next).includes(part))
}

const pairs = techniques.flatMap((old) => techniques.filter((next) => mayReplace(old, next)).map((next) => [old, next] as const))

/** Every way of putting it on, one option changed at a time. */
function procedures(next: Technique, old: Technique): readonly (readonly Step[])[] {
  const example = caseOf(next.id)
  const single = next.options.flatMap((option) => optionValues(option, ctx.protocol).map((value) => ({ [option.id]: value.id })))
  return [{}, ...single].map(
    (options) => planCase({ ...example, options: { ...example.options, ...options }, replaces: old.id }, ctx)?.procedure.steps ?? [],
  )
}

/** Whether a thing is held by hand at a step, by a hold that began before it. */
function isHeldAt(steps: readonly Step[], at: number, what: string): boolean {
  return steps.some(({ holds }) => {
    if (holds?.what !== what) return false
    const [from, to] = [holds.from, holds.to].map((id) => steps.findIndex((step) => step.id === id))
    return from! < at && to! >= at
  })
}

/** Whether some hold lasts over a step, its first and last included. */
function isHandOn(steps: readonly Step[], at: number): boolean {
  const index = (id: string): number => steps.findIndex((step) => step.id === id)
  return steps.some(({ holds }) => holds !== null && index(holds.from) <= at && index(holds.to) >= at)
}

describe('one device for another', () => {
  it('is offered between devices of the head, of the spine, of a pull and of a break', () => {
    expect(pairs.length).to.be.greaterThan(60)
    const kinds = new Set(pairs.map(([old, next]) => `${old.onUrgent.holds} → ${next.onUrgent.holds}`))
    expect([...kinds]).to.include.members(['pull → pull', 'pull → break', 'break → pull', 'break → break', 'head → head', 'head → spine'])
  })

  for (const [old, next] of pairs) {
    it(`${old.id} → ${next.id}: nothing that holds comes off while nothing else holds`, () => {
      const { what } = takenBy[old.onUrgent.holds]
      for (const steps of procedures(next, old)) {
        const at = (test: (step: Step) => boolean): number => steps.findIndex(test)
        const off = steps.flatMap((step, index) => (isOfChangeOver(step.id) && hasStepRole(step, 'takes-off') ? [index] : []))
        expect(off.length, 'it does not come off').to.be.greaterThan(1)
        for (const index of off) expect(isHeldAt(steps, index, what), `${steps[index]?.text}: nobody holds the ${what}`).to.equal(true)
        // The baseline is taken while the old one is on, and nothing goes on before it is off and the place was looked at.
        expect(at((step) => hasStepRole(step, 'baseline'))).to.be.lessThan(off[0]!)
        const under = at((step) => step.id === underOldId)
        const puts = at((step) => hasStepRole(step, 'first-layer', ...onRoles))
        expect(under).to.be.lessThan(puts)
        expect(steps[puts]?.after).to.include(underOldId)
        // Some hand holds from there on, until the new device does; a head or spine as long as the new procedure says itself.
        const own = at((step) => hasStepRole(step, 'hold-released') && isColumn(next))
        const holds = at((step) => hasStepRole(step, 'rigid-on') || (hasStepRole(step, 'pulls') && !hasStepRole(step, 'hold-taken')))
        for (let index = off[0]!; index <= (own < 0 ? holds : own); index++)
          expect(isHandOn(steps, index), `${steps[index]?.text}: nobody holds anything`).to.equal(true)
      }
    })
  }

  it('says when the hands let go, and asks for one more of them', () => {
    const steps = planCase({ ...caseOf('suspended-ring-traction'), replaces: 'frame-traction' }, ctx)?.procedure.steps ?? []
    const taken = steps.find((step) => step.id === 'take-over')
    expect(taken?.text).to.include('takes the pull by hand')
    const handed = steps.find((step) => step.id === taken?.holds?.to)
    expect(handed?.id).to.equal('pull')
    expect(handed?.text).to.include('let go only when it holds')
    const people = (replaces?: string): unknown =>
      planCase({ ...caseOf('suspended-ring-traction'), ...(replaces ? { replaces } : {}) }, ctx)?.decisions.find(
        (decision) => decision.id === 'least-crew',
      )?.value
    expect(people('frame-traction')).to.equal(Number(people()) + 1)
  })

  it('takes a roadside collar off before the front of the new one is looked for', () => {
    const steps = planCase({ ...caseOf('care-collar'), replaces: 'extrication-collar' }, ctx)?.procedure.steps.map((step) => step.id) ?? []
    expect(steps[0]).to.equal('hold-head')
    expect(steps.indexOf('off-1')).to.be.greaterThan(steps.indexOf('baseline'))
    expect(steps.indexOf('under-old')).to.be.lessThan(steps.indexOf('look-front'))
    expect(steps).to.not.include.members(['front-off'])
    expect(steps.indexOf('back-on')).to.be.lessThan(steps.indexOf('front-on'))
  })

  it('with no pulse stops what puts on, and lets what was on come off', () => {
    for (const [old, next] of pairs.filter(([, one]) => one.onUrgent.holds === 'break' || one.onUrgent.holds === 'pull')) {
      const example = caseOf(next.id)
      const injury = { ...example.injury, flags: [...example.injury.flags, 'pulse-absent' as const] }
      const plan = planCase({ ...example, injury, replaces: old.id }, ctx)!
      const { steps } = plan.procedure
      const bound = (step: Step): readonly string[] =>
        stopsOn(step, { steps, states: new Map(), cautions: plan.cautions, dangers: [], isOpening: false }).map((stop) => stop.code)
      for (const step of steps.filter((one) => isOfChangeOver(one.id)))
        expect(bound(step), `${old.id} → ${next.id}: ${step.text}`).to.deep.equal([])
      const puts = steps.find((step) => hasStepRole(step, 'first-layer', ...onRoles))!
      expect(bound(puts), `${old.id} → ${next.id}: ${puts.text}`).to.include('pulse-absent')
    }
  })

  it('leaves a case that replaces nothing, or what is not known, as it is', () => {
    const plain = planCase(caseOf('leg-slab'), ctx)
    expect(plain?.procedure.steps.some((step) => isOfChangeOver(step.id))).to.equal(false)
    expect(planCase({ ...caseOf('leg-slab'), replaces: 'no-such-thing' }, ctx)?.procedure.steps.length).to.equal(
      plain?.procedure.steps.length,
    )
  })
})
