import { expect } from 'chai'
import { bandsOff } from '#core/runs/bands-off'
import { hasStepRole } from '#core/model/step-role'
import { guidePage } from '#core/techniques/guide-page'
import { techniques } from '#core/techniques/registry'
import { testContext } from '../../harness/cases/leg-slab-cases'

const pages = techniques.map((technique) => guidePage(technique, testContext()).plan)

describe('what is not on yet', () => {
  it('a leg slab: padding, then slab, then bandage, each with its own step', () => {
    const plan = pages.find((page) => page.technique === 'leg-slab')!
    const { steps } = plan.procedure
    const offAt = (id: string): readonly string[] => bandsOff(steps, plan.geometry.bands, steps.find((step) => step.id === id) ?? null)
    expect(offAt('baseline')).to.have.members(['padding', 'bandage', 'slab'])
    expect(offAt('padding')).to.have.members(['bandage', 'slab'])
    expect(offAt('wet'), 'wet in the hand, not on the leg').to.have.members(['bandage', 'slab'])
    expect(offAt('lay')).to.deep.equal(['bandage'])
    expect(offAt('finish')).to.deep.equal([])
  })

  it('of every technique nothing but what is kept clear is on before the first step that touches with it, and all of it at the end', () => {
    for (const { technique, procedure, geometry } of pages) {
      const { steps } = procedure
      expect(bandsOff(steps, geometry.bands, null), technique).to.deep.equal([])
      const opens = steps.findIndex((step) => hasStepRole(step, 'opens', 'takes-off'))
      const lays = steps.findIndex((step) => hasStepRole(step, 'first-layer', 'lays-on', 'closes', 'wraps'))
      if (opens >= 0 && opens < lays) continue
      const off = bandsOff(steps, geometry.bands, steps[lays - 1] ?? null)
      const clear = geometry.bands.filter((band) => band.kind === 'no-go').map((band) => band.id)
      expect([...off, ...clear], technique).to.have.members(geometry.bands.map((band) => band.id))
    }
  })

  it('what is on when the procedure begins is drawn from its beginning: a cast that is opened, a collar whose front comes off', () => {
    const first = (id: string): readonly string[] => {
      const plan = pages.find((page) => page.technique === id)!
      return bandsOff(plan.procedure.steps, plan.geometry.bands, plan.procedure.steps[0] ?? null)
    }
    expect(first('care-collar')).to.deep.equal([])
    expect(first('cast-opening')).to.have.members(['cut-1', 'cut-2', 'cut-foot-1', 'cut-foot-2'])
  })

  it('once on it stays on, and what a skipped step would have put on is not on', () => {
    for (const { technique, procedure, geometry } of pages) {
      const { steps } = procedure
      const counts = steps.map((step) => bandsOff(steps, geometry.bands, step).length)
      expect(counts, technique).to.deep.equal([...counts].sort((a, b) => b - a))
    }
    const slab = pages.find((page) => page.technique === 'leg-slab')!
    expect(bandsOff(slab.procedure.steps, slab.geometry.bands, null, new Set(['bandage']))).to.deep.equal(['bandage'])
  })
})
