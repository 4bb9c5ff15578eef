import { expect } from 'chai'
import type { Caution } from '#core/model/plan'
import { speakable, spokenStep } from '#core/runs/spoken-step'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

const caution = (level: Caution['level'], text: string, steps: readonly string[]): Caution => ({
  level,
  code: text,
  text,
  why: '',
  decisions: [],
  steps,
})

describe('a step as it is read aloud', () => {
  it('says a stop before the step, and its cautions after it; nothing of other steps', () => {
    const said = spokenStep({ id: 'lay', text: 'Lay the slab.' }, 4, [
      caution('note', 'Keep it flat.', ['lay']),
      caution('caution', 'Hot over 42 °C.', ['lay']),
      caution('stop', 'Call first.', ['lay']),
      caution('stop', 'Not here.', ['wet']),
      { ...caution('caution', 'Set aside.', ['lay']), overruled: { reason: 'seen', by: 'Ada Finch', at: '' } },
    ])
    expect(said).to.deep.equal(['Stop. Call first.', 'Step 4. Lay the slab.', 'Note. Keep it flat.', 'Caution. Hot over 42 degrees.'])
  })

  it('says units and signs in words', () => {
    expect(speakable('Cut 49 cm at 90°, wet 5 min, pull 7 kg (69 N), 2 × 10 cm, 2–3 h, 60 %')).to.equal(
      'Cut 49 centimetres at 90 degrees, wet 5 minutes, pull 7 kilos (69 newtons), 2 times 10 centimetres, 2 to 3 hours, 60 percent',
    )
    expect(speakable('Lay it in, then mind 4 in all.')).to.equal('Lay it in, then mind 4 in all.')
  })

  for (const id of techniqueIds) {
    it(`${id}: no step says a unit as letters`, () => {
      const plan = planCase(readCase(exampleOf(id)).clinicalCase!, testContext())!
      plan.procedure.steps.forEach((step, index) => {
        const said = spokenStep(step, index + 1, plan.cautions).join(' ')
        expect(said).to.not.match(/\d\s*(cm|kg|°|kPa|mmHg|min)\b|\d °/)
        expect(said).to.include(`Step ${index + 1}.`)
      })
    })
  }
})
