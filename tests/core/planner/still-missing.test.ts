import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { stillMissing } from '#core/planner/still-missing'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'

/** The published example with nothing known of the patient, and nothing read but what is named. */
function planOf(
  technique: string,
  patient: object,
  readings: (id: string) => boolean,
): { missing: ReturnType<typeof stillMissing>; asked: readonly string[] } {
  const file = exampleOf(technique) as unknown as { patient: object; measurements: readonly { id: string }[] }
  const { clinicalCase } = readCase({ ...file, patient, measurements: file.measurements.filter(({ id }) => readings(id)) })
  if (!clinicalCase) throw new Error(`${technique} was not read`)
  const plan = planCase(clinicalCase, testContext())
  const found = techniques.find(({ id }) => id === technique)
  if (!plan || !found) throw new Error(`${technique} was not planned`)
  return {
    missing: stillMissing(plan),
    asked: found.measurements(clinicalCase, plan.options).map(({ definition }) => definition.id),
  }
}

describe('what a plan still misses', () => {
  for (const { id } of techniques) {
    it(`of ${id} is all asked by Measure: a reading of its list, or a figure of the patient`, () => {
      for (const readings of [() => false, () => true]) {
        const { missing, asked } = planOf(id, {}, readings)
        const named = [
          ...[...missing.readings].map((reading) => `measurements/${reading}`),
          ...missing.figures.map((figure) => `patient/${figure}`),
        ]
        expect(named, 'nothing that is missed goes unasked').to.have.members(Object.keys(missing.messages))
        expect(asked).to.include.members([...missing.readings])
        for (const message of Object.values(missing.messages)) expect(message.length).to.be.above(10)
      }
    })

    it(`of ${id} is nothing once all of it was answered`, () => {
      const file = exampleOf(id) as unknown as { patient: object }
      const { missing } = planOf(id, { ...file.patient, massKg: 70, heightCm: 172, ageYears: 40 }, () => true)
      expect(missing.figures).to.deep.equal([])
    })
  }

  it('is not what is only doubted, or of another kind', () => {
    const problem = (code: 'implausible' | 'missing', path: string) => ({ code, path, message: `${path} is what it is.` })
    expect(stillMissing({ problems: [problem('implausible', 'measurements/calf-girth')] }).readings.size).to.equal(0)
    const { readings, figures } = stillMissing({
      problems: [
        problem('missing', 'measurements/lower-leg-length'),
        problem('missing', 'patient/heightCm'),
        problem('missing', 'patient/massKg'),
      ],
    })
    expect([...readings]).to.deep.equal(['lower-leg-length'])
    expect(figures, 'in one order, whatever the plan says first').to.deep.equal(['massKg', 'heightCm'])
  })
})
