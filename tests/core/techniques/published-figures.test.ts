import { expect } from 'chai'
import type { Plan } from '#core/model/plan'
import { exampleOf, figuresOf, techniqueIds } from '../../harness/cases/example-cases'
import { decisionOf, planFile } from '../../harness/cases/leg-slab-cases'

/** Every published example comes to the figures beside it, which were worked from its readings by hand. */
describe('published examples, figure by figure', () => {
  for (const technique of techniqueIds) {
    const expected = figuresOf(technique)
    describe(technique, () => {
      let plan: Plan
      before(() => {
        plan = planFile(exampleOf(technique))
      })

      for (const [id, { value }] of Object.entries(expected)) {
        it(`${id} is ${typeof value === 'number' ? Number(value.toFixed(2)) : String(value)}`, () => {
          const decision = decisionOf(plan, id)
          if (typeof value === 'number') expect(decision.value).to.be.closeTo(value, 1e-6)
          else expect(decision.value).to.deep.equal(value)
        })
      }

      it('says every figure in words, with working that names its inputs', () => {
        for (const decision of plan.decisions) {
          expect(decision.display, decision.id).to.match(/\S/)
          expect(decision.display, decision.id).not.to.match(/NaN|undefined|null|Infinity/)
          expect(decision.formula, decision.id).to.match(/\S/)
          for (const line of decision.working) {
            expect(line.label, decision.id).to.match(/\S/)
            if (typeof line.value === 'number') expect(Number.isFinite(line.value), `${decision.id}: ${line.label}`).to.equal(true)
          }
        }
      })

      it('words model results as estimates, and promises nothing', () => {
        for (const { id, display, source } of plan.decisions) {
          if (['peak-skin-temp', 'room', 'room-hours', 'ring-pressure', 'pressure-before', 'pressure-after'].includes(id)) {
            expect(source, id).to.equal('model')
            expect(display, id).to.match(/^about |, estimated$/)
          }
        }
        const said = JSON.stringify([plan.cautions, plan.procedure.steps, plan.fit, plan.care, plan.decisions])
        expect(said).not.to.match(/\bsafe to\b|\bis safe\b|guarantee|never reached|odds it fits/i)
      })

      it('has cautions with a reason, at decisions and steps that exist', () => {
        const decisions = new Set(plan.decisions.map((decision) => decision.id))
        const steps = new Set(plan.procedure.steps.map((step) => step.id))
        for (const caution of plan.cautions) {
          expect(caution.text, caution.code).to.match(/\S/)
          expect(caution.why, caution.code).to.match(/\S/)
          const shown = [
            ...(caution.decisions ?? []).filter((id) => decisions.has(id)),
            ...(caution.steps ?? []).filter((id) => steps.has(id)),
          ]
          if ((caution.decisions ?? []).length + (caution.steps ?? []).length > 0) expect(shown, caution.code).not.to.deep.equal([])
        }
      })

      it('confirms identity and every check by its own button', () => {
        for (const step of plan.procedure.steps) {
          if (['identity', 'baseline', 'after-check'].includes(step.id)) expect(step.confirm, step.id).to.match(/\S/)
          const [least, likely, most] = step.minutes
          expect(least, step.id).to.be.at.most(likely)
          expect(likely, step.id).to.be.at.most(most)
        }
      })
    })
  }
})
