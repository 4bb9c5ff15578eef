import { expect } from 'chai'
import { againPlan, lastFigures } from '#core/techniques/again-plan'
import { techniques } from '#core/techniques/registry'
import { hasStepRole } from '#core/model/step-role'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

const donned = techniques.filter(({ again }) => again !== undefined)

describe('put on again', () => {
  it('is for what comes off for a wash or a night, never for what is made for the way', () => {
    expect(donned.map(({ id }) => id)).to.have.members(['care-collar', 'trunk-shell', 'hinged-knee-brace', 'walker-boot'])
  })

  for (const technique of donned) {
    const worn = planFile(changedExample(technique.id, () => undefined))
    const plan = againPlan(worn, worn, technique, [])

    it(`${technique.name}: a shorter run of its own steps, each reachable, that looks before and after and puts it on`, () => {
      const steps = plan?.procedure.steps ?? []
      const ids = steps.map(({ id }) => id)
      expect(steps.length).to.be.within(6, worn.procedure.steps.length - 1)
      expect(ids).to.include.members(['identity', 'baseline', 'after-check'])
      for (const step of steps) {
        expect(
          step.after.every((id) => ids.includes(id)),
          step.id,
        ).to.equal(true)
        expect((step.musts ?? []).every(({ before }) => ids.includes(before))).to.equal(true)
      }
      const on = worn.procedure.steps.filter((step) => hasStepRole(step, 'closes', 'lays-on') && !step.optional).map(({ id }) => id)
      expect(ids.filter((id) => on.includes(id)).length, 'it is put on and closed').to.be.greaterThan(0)
      expect(technique.again?.keeps.some((id) => id === 'lay-out')).to.equal(false)
    })

    it(`${technique.name}: its page for home is in whole sentences, with when to call or to leave it`, () => {
      const home = technique.again?.home ?? []
      expect(home.length).to.be.within(4, 7)
      expect(home.every((line) => line.endsWith('.'))).to.equal(true)
    })
  }

  it('says the last figures at their steps: strap ends, edge, overlap', () => {
    const shell = techniques.find(({ id }) => id === 'trunk-shell')!
    const worn = planFile(changedExample('trunk-shell', () => undefined))
    const measured = [
      { id: 'strap-left-1', value: 3, unit: 'cm' as const, key: 'slip' },
      { id: 'strap-left-1', value: 4, unit: 'cm' as const, supersedes: 'slip' },
      { id: 'edge-to-notch-loose', value: 1, unit: 'in' as const },
    ]
    const plan = againPlan(worn, worn, shell, measured)
    const wanted = plan?.procedure.steps.flatMap(({ reads }) => reads ?? []).map(({ wanted: words }) => words) ?? []
    expect(wanted.find((one) => /last time 4 cm$/.test(one))).to.be.a('string')
    expect(wanted.find((one) => /last time 2\.5 cm$/.test(one))).to.be.a('string')
    expect(lastFigures(worn, shell, measured)).to.have.length(2)
  })
})
