import { expect } from 'chai'
import { asksCheck } from '#core/runs/what-binds'
import { hasStepRole } from '#core/model/step-role'
import { comparePlans } from '#core/planner/compare-plans'
import { adjustmentPlan } from '#core/runs/adjustment-plan'
import { againPlan } from '#core/techniques/again-plan'
import { takingOffPlan } from '#core/techniques/taking-off-plan'
import { techniques } from '#core/techniques/registry'
import { doneWithRole, isIdentityRead } from '#ward/case/done-with-role'
import { openNowRun } from '#ward/case/opening-run'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { planFile, testContext } from '../harness/cases/leg-slab-cases'

describe('what a run did, by the roles of its steps', () => {
  for (const technique of techniques) {
    it(`${technique.id}: asks for a look before and after by role, under any name of the step`, () => {
      const plan = planFile(exampleOf(technique.id))
      const { caseAfter, event } = foldStay({ technique: technique.id })
      const renamed = {
        ...plan,
        procedure: { steps: plan.procedure.steps.map((step) => ({ ...step, id: `own-${step.id}` })) },
      }
      const looks = plan.procedure.steps.filter(asksCheck)
      expect(looks.some((step) => hasStepRole(step, 'check-after'))).to.equal(true)
      expect(renamed.procedure.steps.filter(asksCheck).map((step) => step.id)).to.deep.equal(looks.map((step) => `own-${step.id}`))
      for (const { procedure } of [plan, renamed]) {
        const kept = { ...plan, procedure }
        const step = (role: 'identity' | 'check-after') => procedure.steps.find((one) => hasStepRole(one, role))
        const [identity, check] = [step('identity'), step('check-after')]
        const tick = (stepId: string, outcome: string, atMin: number) => event('step', { runId: 'r1', stepId, outcome, reason: '' }, atMin)
        const begun = [event('plan', { plan: kept }, 1), event('run-started', { runId: 'r1' }, 2)]
        expect(isIdentityRead(caseAfter(...begun))).to.equal(false)
        if (identity) {
          expect(isIdentityRead(caseAfter(...begun, tick(identity.id, 'done', 3)))).to.equal(true)
          expect(isIdentityRead(caseAfter(...begun, tick(identity.id, 'skipped', 3)))).to.equal(false)
          // Aloud once is aloud: whoever takes the tick back has heard it, and a changed side still asks why.
          expect(isIdentityRead(caseAfter(...begun, tick(identity.id, 'done', 3), tick(identity.id, 'undone', 4)))).to.equal(true)
        }
        const looked = caseAfter(...begun, tick(check!.id, 'done', 5))
        expect(doneWithRole(looked, looked.runs[0]!, 'check-after').map(({ stepId }) => stepId)).to.deep.equal([check!.id])
        const undone = caseAfter(...begun, tick(check!.id, 'done', 5), tick(check!.id, 'undone', 6))
        expect(doneWithRole(undone, undone.runs[0]!, 'check-after')).to.deep.equal([])
      }
    })
  }

  it('no way of going on loses the look: opened now, put on again, adjusted, taken off', () => {
    for (const technique of techniques.filter((one) => !one.opensCasts)) {
      const worn = planFile(exampleOf(technique.id))
      const folded = foldStay({ technique: technique.id })
      const record = folded.caseAfter(folded.event('plan', { plan: worn }, 1))
      const changed = {
        ...worn,
        decisions: worn.decisions.map((decision, index) => (index === 0 ? { ...decision, display: 'other' } : decision)),
      }
      const ways = [
        openNowRun(record, folded.stay, worn, '2026-03-27T12:00:00Z', testContext())?.plan,
        againPlan(worn, worn, technique, []),
        adjustmentPlan(worn, changed, comparePlans(worn, changed)),
        takingOffPlan(worn, technique, { where: 'RIGHT leg', laidOn: 'whole' }),
      ].filter((plan) => plan != null)
      expect(ways.length, technique.id).to.be.at.least(3)
      for (const { procedure } of ways)
        for (const step of procedure.steps)
          expect(asksCheck(step), `${technique.id}: ${step.id}`).to.equal(['baseline', 'after-check'].includes(step.id))
      for (const { procedure } of [ways[0]!, ways.at(-2)!]) expect(procedure.steps.filter(asksCheck).length, technique.id).to.be.at.least(1)
    }
  })

  it('reads the roles of a plan of its own, whose steps the technique does not know', () => {
    for (const technique of techniques.filter((one) => !one.opensCasts)) {
      const folded = foldStay({ technique: technique.id })
      const before = folded.caseAfter(folded.event('plan', { plan: planFile(exampleOf(technique.id)) }, 1))
      const run = openNowRun(before, folded.stay, before.accepted!.plan, '2026-03-27T12:00:00Z', testContext())
      const opening = run?.plan?.procedure.steps.find((step) => hasStepRole(step, 'opens', 'eases'))
      const record = folded.caseAfter(
        folded.event('plan', { plan: before.accepted!.plan }, 1),
        folded.event('run-started', { runId: 'r2', ...run }, 2),
        folded.event('step', { runId: 'r2', stepId: opening!.id, outcome: 'done', reason: '' }, 3),
      )
      expect(doneWithRole(record, record.runs[0]!, 'opens', 'eases'), technique.id).to.have.length(1)
    }
  })
})
