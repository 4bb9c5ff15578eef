import { expect } from 'chai'
import { stepName } from '#core/runs/step-name'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

describe('names of steps', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: each step has a name of its own that is not its id`, () => {
      const { steps } = planFile(exampleOf(technique)).procedure
      const names = steps.map(stepName)
      expect(new Set(names).size, names.join(', ')).to.equal(steps.length)
      for (const { id } of steps.filter((step) => step.id.includes('-') && !/-\d+$/.test(step.id))) {
        // “lay-out” is “lay out”: an id of plain words names itself only where the table says so.
        expect(stepName({ id }), id).to.match(/^[a-z][a-z ,]+$/)
      }
    })
  }

  it('says numbered steps by their number, and what nobody named by the words of its id', () => {
    expect(stepName({ id: 'roll-3' })).to.equal('roll 3')
    expect(stepName({ id: 'never-heard-of' })).to.equal('never heard of')
    expect(stepName({ id: 'off-2' })).to.equal('take it off, 2')
    expect(stepName({ id: 'open-1' })).to.equal('open it, 1')
    expect(stepName({ id: 'free-locks' })).to.equal('chin part and locks')
  })
})
