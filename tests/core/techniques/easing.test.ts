import { expect } from 'chai'
import { hasStepRole } from '#core/model/step-role'
import { openNowPlan } from '#core/techniques/open-now-plan'
import { techniques } from '#core/techniques/registry'
import { planCase } from '#core/techniques/plan-case'
import { readCase } from '#core/files/read-case'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

/** The published example of a technique, planned. */
function planExample(technique: string) {
  const { clinicalCase } = readCase(exampleOf(technique))
  const plan = clinicalCase && planCase(clinicalCase, testContext())
  if (!clinicalCase || !plan) throw new Error(`${technique} has no plan`)
  return { clinicalCase, plan }
}

describe('a pull that takes the pulse', () => {
  for (const technique of techniques.filter(({ onUrgent }) => onUrgent.holds === 'pull'))
    it(`${technique.id}: called, the leg held, eased by half, then all; what is left is written, and no step keeps the pull`, () => {
      const { plan, clinicalCase } = planExample(technique.id)
      const planned = plan.procedure.steps.flatMap((step) => step.pull?.expectedKg ?? [])[0] ?? null
      const steps = openNowPlan(plan, technique, clinicalCase).procedure.steps
      expect(steps.map(({ id }) => id).slice(0, 5)).to.deep.equal(['confirm-now', 'hold-now', 'ease-half', 'ease-all', 'keep-eased'])
      const half = steps.find(({ id }) => id === 'ease-half')
      if (planned !== null) expect(half?.text).to.include(`${(planned / 2).toFixed(1)} kg`)
      expect(half?.text).to.match(/notch by notch.*pulse within a minute/)
      expect(steps.find(({ id }) => id === 'keep-eased')?.pull).to.include({ expectedKg: null, toRelief: false })
      expect(steps.filter((step) => hasStepRole(step, 'eases')).map(({ id }) => id)).to.include.members(['ease-half', 'ease-all'])
      expect(steps.find(({ id }) => id === 'hold-now')?.text).to.not.match(/as much as the splint pulls|keeps it/)
      expect(steps.map(({ text }) => text).join(' ')).to.not.match(/pull stays/i)
    })

  it('of a device that holds a spine is opened as the patient breathes best, and flattens nobody', () => {
    for (const technique of techniques.filter(({ onUrgent }) => onUrgent.holds === 'spine')) {
      const { plan, clinicalCase } = planExample(technique.id)
      const said = openNowPlan(plan, technique, clinicalCase)
        .procedure.steps.map(({ text }) => text)
        .join(' ')
      expect(said)
        .to.include('As the patient breathes best')
        .and.not.match(/flat on the back/i)
    }
  })
})
