import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { inUnits, wordsInUnits } from '#core/quantities/words-in-units'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

describe('words in the reader’s units', () => {
  for (const [metric, inches] of [
    ['Cut 49 cm of the 25 cm plaster', 'Cut 19.3 in of the 9.8 in plaster'],
    ['fold 2–3 cm away', 'fold 0.8–1.2 in away'],
    ['strips at 12.9, 49.6, 73 cm', 'strips at 5.1, 19.5, 28.7 in'],
    ['padding 1 × 7.5 cm + 2 × 10 cm', 'padding 1 × 3.0 in + 2 × 3.9 in'],
    ['a gap of 5 mm', 'a gap of 0.2 in'],
    ['15 to 20 cm wide', '5.9 to 7.9 in wide'],
    ['pull 7 kg for 5 min at 42 °C, 2 people', 'pull 7 kg for 5 min at 42 °C, 2 people'],
  ] as const)
    it(metric, () => {
      expect(wordsInUnits(metric, 'inches')).to.equal(inches)
      expect(wordsInUnits(metric, 'metric')).to.equal(metric)
    })

  it('change what people read and nothing else', () => {
    const part = { id: '5 cm', text: '5 cm', step: { why: 'by 2.5 cm', items: ['a 10 cm roll'], lengthCm: 5 }, list: [{ note: '1 cm' }] }
    expect(inUnits(part, 'metric')).to.equal(part)
    expect(inUnits(part, 'inches')).to.deep.equal({
      id: '5 cm',
      text: '2.0 in',
      step: { why: 'by 1.0 in', items: ['a 3.9 in roll'], lengthCm: 5 },
      list: [{ note: '0.4 in' }],
    })
  })

  for (const id of techniqueIds) {
    it(`${id}: nothing of a plan is left in centimetres`, () => {
      const plan = inUnits(planCase(readCase(exampleOf(id)).clinicalCase!, testContext())!, 'inches')
      const said = [
        ...plan.procedure.steps.flatMap((step) => [step.text, step.why, step.prevents, step.say ?? '', ...(step.items ?? [])]),
        ...plan.cautions.flatMap((caution) => [caution.text, caution.why]),
        ...plan.fit.flatMap((test) => [test.text, test.why, test.remedy]),
        ...plan.care,
        ...plan.schedule.map((entry) => entry.text),
        ...plan.decisions.map((decision) => decision.display),
        ...plan.problems.map((problem) => problem.message),
      ].join('\n')
      expect(said).to.not.match(/\d\s*(cm|mm)\b/)
      expect(said).to.not.match(/NaN|undefined|null/)
    })
  }
})
