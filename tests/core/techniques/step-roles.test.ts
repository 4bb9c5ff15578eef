import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import { hasStepRole, onRoles, rolesIn, stepRoles, type StepRole } from '#core/model/step-role'
import type { Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { injuryFlags, patientFlags } from '#core/model/vocabulary'
import { optionValues, type Technique } from '#core/planner/technique'
import { flagRulesOf } from '#core/rules/by-what-is-put-on'
import { isOfChangeOver } from '#core/techniques/change-over'
import { planCase, workOut } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { sampleOf } from '../../harness/long'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const ctx = testContext()

function caseOf(id: string): ClinicalCase {
  const { clinicalCase } = readCase(exampleOf(id))
  if (!clinicalCase) throw new Error(id)
  return clinicalCase
}

/** The example under every value of every option, and under some pairs of them. */
function variants(technique: Technique): readonly ClinicalCase[] {
  const example = caseOf(technique.id)
  const single = technique.options.flatMap((option) => optionValues(option, ctx.protocol).map((value) => ({ [option.id]: value.id })))
  const pairs = single.flatMap((a, at) => single.slice(at + 1).map((b) => ({ ...a, ...b })))
  const patterns = technique.patterns.map((pattern) => ({
    ...example,
    injury: { ...example.injury, pattern },
    orders: { ...example.orders, week: 1, wedges: [{ week: 1, count: 2 }] },
  }))
  return [
    ...patterns,
    // In place of another one: the steps that take that off are none of its own.
    { ...example, replaces: 'leg-slab' },
    ...(technique.opensCasts ? [{ ...example, orders: { ...example.orders, openNow: true } }] : []),
    ...[{}, ...single, ...sampleOf(pairs, 60)].map((options) => ({ ...example, options: { ...example.options, ...options } })),
  ]
}

/** Each with everything that can be flagged, so that every rule raises what it has. */
function flagged(clinicalCase: ClinicalCase): ClinicalCase {
  return {
    ...clinicalCase,
    patient: { ...clinicalCase.patient, flags: patientFlags },
    injury: { ...clinicalCase.injury, flags: injuryFlags },
  }
}

/** The steps of a plan without those by which what was on before comes off. */
function ownSteps(plan: Plan | null): readonly Step[] {
  return (plan?.procedure.steps ?? []).filter((step) => !isOfChangeOver(step.id))
}

const everyProcedure = new Map(
  techniques.map((technique) => [technique.id, variants(technique).map((variant) => ownSteps(planCase(variant, ctx)))] as const),
)

describe('roles of steps', () => {
  for (const technique of techniques) {
    describe(technique.id, () => {
      const procedures = everyProcedure.get(technique.id) ?? []
      const steps = procedures.flat()
      const has = (role: StepRole): boolean => steps.some((step) => hasStepRole(step, role))

      it('name every step of every way of doing it, and no step that there is not', () => {
        const ids = new Set(steps.map((step) => step.id))
        for (const id of ids)
          expect(rolesIn(technique.roles, id), `${technique.id} has a step ${id} without a line in its roles`).to.be.an('array')
        for (const id of Object.keys(technique.roles)) {
          const isMet = id === 'say-change' || [...ids].some((each) => each === id || each.replace(/-\d+$/, '-*') === id)
          expect(isMet, `the roles of ${technique.id} name ${id}, which no plan of it has`).to.equal(true)
        }
      })

      it('say where it begins, what puts it on, and where it is looked at again', () => {
        for (const role of ['baseline', 'first-touch', 'check-after'] as const) expect(has(role), role).to.equal(true)
        for (const procedure of procedures) {
          const at = (...roles: readonly StepRole[]): number => procedure.findIndex((step) => hasStepRole(step, ...roles))
          expect(at(...(technique.opensCasts ? (['opens'] as const) : onRoles)), 'nothing puts it on').to.be.greaterThan(at('baseline'))
          expect(at('check-after')).to.be.greaterThan(at('baseline'))
        }
      })

      it('bind every rule of what it puts on', () => {
        for (const rule of flagRulesOf(technique.puts)) {
          for (const role of rule.at ?? []) expect(stepRoles as readonly string[], rule.text).to.include(role)
          if (rule.level === 'note' || (!rule.at && !rule.steps)) continue
          const bites = steps.some((step) => rule.steps?.includes(step.id) || hasStepRole(step, ...(rule.at ?? [])))
          expect(bites, `${rule.flag} (${rule.text}) binds no step of ${technique.id}`).to.equal(true)
        }
      })

      it('and ids are all that its own cautions name', () => {
        const named = variants(technique)
          .flatMap((variant) => [variant, flagged(variant)])
          .flatMap((clinicalCase) => workOut(clinicalCase, ctx)?.collected.cautions ?? [])
          .flatMap((caution) => (isOfRules(technique, caution.steps) ? [] : caution.steps.map((id) => [caution.code, id] as const)))
        for (const [code, id] of named)
          expect(rolesIn(technique.roles, id), `${technique.id}: ${code} names the step ${id}, which it does not have`).to.be.an('array')
      })

      it('take and release what is held, and no hold ends before it begins', () => {
        for (const procedure of procedures) for (const step of procedure) checkHold(technique.id, procedure, step)
        for (const [id, roles] of Object.entries(technique.roles)) {
          if (roles.includes('hold-taken')) expect(isHeld(steps, id, 'from'), `${technique.id}: nothing is held from ${id}`).to.equal(true)
          if (roles.includes('hold-released')) expect(isHeld(steps, id, 'to'), `${technique.id}: no hold ends with ${id}`).to.equal(true)
        }
      })
    })
  }

  it('know water that is too hot in everything that is wetted, and bind it', () => {
    const wetted = techniques.filter((technique) =>
      everyProcedure.get(technique.id)?.some((steps) => steps.some((step) => hasStepRole(step, 'wets'))),
    )
    expect(wetted.map((one) => one.id)).to.include.members(['leg-slab', 'volar-slab', 'slab-and-stirrup', 'leg-cast'])
    for (const { id } of wetted) {
      const example = caseOf(id)
      const plan = planCase({ ...example, environment: { ...example.environment, waterC: 55 } }, ctx)
      const hot = plan?.cautions.find((caution) => caution.code === 'hot-water')
      expect(hot?.steps.length, id).to.be.greaterThan(0)
    }
  })
})

/** Steps that a rule of what is put on names: it may be put on in a way that has not all of them. */
function isOfRules(technique: Technique, steps: readonly string[]): boolean {
  return flagRulesOf(technique.puts).some((rule) => rule.steps === steps)
}

function checkHold(technique: string, procedure: readonly Step[], step: Step): void {
  if (!step.holds) return
  const index = (id: string): number => procedure.findIndex((one) => one.id === id)
  const { what, from, to } = step.holds
  expect(index(from), `${technique}: the hold of the ${what} begins at ${from}, which is no step`).to.be.at.least(0)
  expect(index(to), `${technique}: the hold of the ${what} ends before it begins`).to.be.at.least(index(from))
}

function isHeld(steps: readonly Step[], id: string, end: 'from' | 'to'): boolean {
  return steps.some((step) => step.holds?.[end] === id || step.holds?.changes?.some((change) => change.at === id))
}
