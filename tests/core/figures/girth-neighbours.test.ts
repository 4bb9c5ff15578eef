import { expect } from 'chai'
import type { Measurement } from '#core/model/clinical-case'
import { girthDoubt, girthFaults } from '#core/figures/body/girth-neighbours'
import { mulberry32 } from '#core/figures/crew/draws'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { exampleOf } from '../../harness/cases/example-cases'

const cm = (id: string, value: number, side: 'left' | 'right' = 'right'): Measurement => ({ id: `${id}-girth`, side, value, unit: 'cm' })
const usual = [cm('calf', 36), cm('ankle', 22.5), cm('below-knee', 33.5), cm('mid-thigh', 52)]

describe('girths beside each other', () => {
  it('are taken as they are on a usual leg', () => {
    for (const one of usual) expect(girthDoubt(one, usual, null)).to.equal(null)
  })
  it('doubts a calf of 100 cm, and says beside what', () => {
    const calf = cm('calf', 100)
    expect(girthDoubt(calf, [...usual.slice(1), calf], null)).to.equal(
      'The calf (100.0 cm) is too full beside the leg below the knee (33.5 cm). Measure both again.',
    )
  })
  it('asks at the limit for nothing, and a millimetre beyond it', () => {
    const of = (calf: number, belowKnee: number, ankle: number, thigh: number): number =>
      girthFaults(
        Object.fromEntries(
          Object.entries({ calf, 'below-knee': belowKnee, ankle, 'mid-thigh': thigh }).map(([id, value]) => [
            `${id}-girth`,
            { cm: value, isSwollen: false },
          ]),
        ),
      ).length
    expect([of(39, 30, 22, 60), of(39.1, 30, 22, 60)], 'calf and below the knee').to.deep.equal([0, 1])
    expect([of(44, 40, 20, 60), of(44.1, 40, 20, 60)], 'calf and ankle').to.deep.equal([0, 1])
    expect([of(30, 28, 20, 60), of(30, 28, 20, 60.1)], 'thigh and calf').to.deep.equal([0, 1])
    expect([of(30, 31, 20, 50), of(30, 31.1, 20, 50)], 'below the knee and calf').to.deep.equal([0, 1])
    const knee = (above: number): number =>
      girthFaults({ 'knee-girth': { cm: 40, isSwollen: false }, 'above-knee-girth': { cm: above, isSwollen: false } }).length
    expect([knee(52), knee(52.1)], 'above the knee and knee').to.deep.equal([0, 1])
  })
  it('gives a swollen side 5 cm more, the thigh 8, and the other side nothing', () => {
    const others = [cm('below-knee', 33.5, 'left'), cm('ankle', 22.5, 'left')]
    const calf = cm('calf', 47, 'left')
    expect(girthDoubt(calf, others, 'left')).to.equal(null)
    expect(girthDoubt(calf, others, 'right')).to.not.equal(null)
    expect(girthDoubt(cm('calf', 48.7, 'left'), others, 'left')).to.not.equal(null)
    expect(girthDoubt(cm('mid-thigh', 80, 'left'), [cm('calf', 36, 'left')], 'left')).to.equal(null)
    expect(girthDoubt(cm('mid-thigh', 80.1, 'left'), [cm('calf', 36, 'left')], 'left')).to.not.equal(null)
  })
  it('believes a place that was read twice alike, and compares no two sides', () => {
    const calf = cm('calf', 60)
    expect(girthDoubt(calf, [...usual.slice(1), calf, cm('calf', 60.5)], null)).to.equal(null)
    expect(girthDoubt(cm('calf', 60, 'left'), usual, null)).to.equal(null)
  })
  it('doubts at most one of 200 true legs', () => {
    const random = mulberry32(7)
    const about = (mean: number, sd: number): number =>
      mean + sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    const bodies = 10_000
    let doubted = 0
    for (let body = 0; body < bodies; body++) {
      const calf = Math.max(22, about(36, 3.6))
      const known = {
        calf,
        'below-knee': calf * about(0.92, 0.035),
        ankle: calf * about(0.61, 0.045),
        'mid-thigh': calf * about(1.42, 0.13),
      }
      const girths = Object.fromEntries(Object.entries(known).map(([id, value]) => [`${id}-girth`, { cm: value, isSwollen: false }]))
      if (girthFaults(girths).length > 0) doubted += 1
    }
    expect(doubted).to.be.at.most(bodies / 200)
  })
  it('stands in the plan as a reading to look at, not as a stop', () => {
    const file = exampleOf('leg-slab')
    const measurements = file.measurements.map((measurement) =>
      measurement['id'] === 'calf-girth' ? { ...measurement, value: 62 } : measurement,
    )
    const { heightCm: _, ...patient } = file.patient as { heightCm?: number }
    const cautions = planFile({ ...file, patient, measurements }).cautions.filter(({ why }) => why.includes('too full beside'))
    expect(cautions.map(({ level, code }) => `${level} ${code}`)).to.include('caution check-reading')
  })
})
