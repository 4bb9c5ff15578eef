import { expect } from 'chai'
import fc from 'fast-check'
import { hingeForward } from '#core/figures/body/measurements/brace'
import { gapAfterFold } from '#core/figures/body/measurements/leg'
import { linerMargin } from '#core/figures/body/measurements/neck'
import { openingWidth } from '#core/figures/body/measurements/opening'
import { edgeTight } from '#core/figures/body/measurements/trunk'
import { resolveMeasurement } from '#core/figures/body/resolve-measurement'
import { readCase } from '#core/files/read-case'
import type { Measurement } from '#core/model/clinical-case'
import { toCm } from '#core/quantities/length'
import { parseReading } from '#core/quantities/parse-reading'
import { poolReadings } from '#core/quantities/pool-readings'
import { approximately, roundDownTo, roundUpTo } from '#core/quantities/rounding'
import { changedExample } from '../../harness/cases/example-cases'
import { ankleCase, cautionCodes, decisionOf, planFile, problemLines, testContext } from '../../harness/cases/leg-slab-cases'

function cmOf(text: string): number | string {
  const parsed = parseReading(text)
  return parsed.ok ? toCm(parsed.value, parsed.unit ?? 'cm') : parsed.message
}

describe('a reading as typed', () => {
  for (const [text, cm] of [
    ['38', 38],
    ['38.5', 38.5],
    ['38,5', 38.5],
    ['15 in', 38.1],
    ['15.25"', 38.735],
    ['15 1/4 in', 38.735],
    ['15¼ in', 38.735],
    ['½ in', 1.27],
    ['15 ¾"', 40.005],
    ['15-1/4in', 38.735],
    ['1/2 in', 1.27],
    ['5 ft 7', 170.18],
    ['5\'7"', 170.18],
    ['5 ft 7 1/2 in', 171.45],
    ['380 mm', 38],
    ['3 fw', 5.4],
    ['3fw', 5.4],
    [' 38 CM ', 38],
    ['.5', 0.5],
  ] as const) {
    it(`reads ${JSON.stringify(text)} as ${cm} cm`, () => expect(cmOf(text)).to.be.closeTo(cm, 1e-9))
  }

  for (const text of [
    '',
    'abc',
    '12 13',
    '1,234',
    '15 1/4',
    '3 xx',
    '1/0 in',
    '15 5/4 in',
    '5 ft 14',
    '--3',
    '1e5',
    'NaN',
    'constructor',
    '5 constructor',
  ]) {
    it(`refuses ${JSON.stringify(text)} with a message`, () => {
      const parsed = parseReading(text)
      expect(parsed.ok).to.equal(false)
      expect(parsed.ok ? '' : parsed.message).to.match(/\.$/)
    })
  }

  it('reads back whatever decimal it is given', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99999 }), (tenths) => approximately(Number(cmOf(`${tenths / 10} cm`)), tenths / 10, 1e-9)),
    )
  })

  it('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof parseReading(text).ok === 'boolean'))
  })
})

describe('repeated readings', () => {
  const at = (value: number): { value: number; error: number } => ({ value, error: 0.4 })

  it('takes one as it is, the mean of two, the median of three', () => {
    expect(poolReadings([at(37)])).to.include({ value: 37, sd: 0.4, agrees: true })
    expect(poolReadings([at(37), at(37.4)]).value).to.be.closeTo(37.2, 1e-9)
    expect(poolReadings([at(37), at(41), at(37.4)]).value).to.equal(37.4)
  })

  it('wants a third when two differ by more than three errors', () => {
    expect(poolReadings([at(37), at(38.2)]).agrees).to.equal(true)
    expect(poolReadings([at(37), at(38.3)]).agrees).to.equal(false)
  })

  it('stays between the least and the greatest reading, in any order', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 90, noNaN: true }), { minLength: 1, maxLength: 7 }), (values) => {
        const pooled = poolReadings(values.map(at)).value
        const reversed = poolReadings([...values].reverse().map(at)).value
        return pooled >= Math.min(...values) - 1e-9 && pooled <= Math.max(...values) + 1e-9 && approximately(pooled, reversed, 1e-9)
      }),
    )
  })
})

describe('rounding', () => {
  it('goes up and down to whole steps without floating-point surprises', () => {
    expect(roundUpTo(43.2, 0.5)).to.equal(43.5)
    expect(roundUpTo(0.1 + 0.2, 0.3)).to.equal(0.3)
    expect(roundDownTo(17.9, 0.5)).to.equal(17.5)
    expect(Object.is(roundUpTo(-0.2, 0.5), 0)).to.equal(true)
  })
})

describe('which readings count', () => {
  it('asks for a third reading and goes on with the mean', () => {
    const file = ankleCase()
    file.measurements.push({ id: 'calf-girth', side: 'left', value: 41, unit: 'cm' })
    const plan = planFile(file)
    expect(problemLines(plan)).to.deep.equal(['third-reading measurements/calf-girth'])
    expect(decisionOf(plan, 'slab-width').working.find((line) => line.where === 'calf')?.value).to.equal(39.5)
  })

  it('refuses an absurd reading, estimates that girth and goes on', () => {
    const file = ankleCase()
    file.measurements[2] = { id: 'calf-girth', side: 'left', value: 380, unit: 'cm' }
    const plan = planFile(file)
    expect(problemLines(plan)).to.deep.equal(['implausible measurements/calf-girth'])
    expect(decisionOf(plan, 'slab-width').working.find((line) => line.where === 'calf')?.from).to.equal('estimated')
  })

  for (const value of [0, -4]) {
    it(`refuses ${value} cm`, () => {
      const file = ankleCase()
      file.measurements[0] = { id: 'slab-path', side: 'right', value, unit: 'cm' }
      const plan = planFile(file)
      expect(problemLines(plan)).to.deep.equal(['implausible measurements/slab-path'])
      expect(plan.decisions.some((decision) => decision.id === 'slab-length')).to.equal(false)
    })
  }

  it('uses an implausible reading once it is confirmed and seconded, marked', () => {
    const file = ankleCase()
    file.measurements[2] = { id: 'calf-girth', side: 'left', value: 70, unit: 'cm', confirmed: true }
    expect(problemLines(planFile(file))).to.include('implausible measurements/calf-girth')
    file.measurements.push({ id: 'calf-girth', side: 'left', value: 70.5, unit: 'cm', confirmed: true })
    const plan = planFile(file)
    expect(problemLines(plan)).to.deep.equal([])
    expect(cautionCodes(plan)).to.include('check-reading')
  })

  it('asks about a surprising reading and uses it', () => {
    const file = ankleCase()
    file.measurements[2] = { id: 'calf-girth', side: 'left', value: 60, unit: 'cm' }
    expect(cautionCodes(planFile(file))).to.include('check-reading')
    // Beside its neighbours it is doubted at every age.
    file.patient['ageYears'] = 9
    const doubts = planFile(file).cautions.filter(({ code }) => code === 'check-reading')
    expect(doubts.map(({ text }) => text)).to.deep.equal(['Measure both again: one of them is a slip.'])
  })

  it('takes of what moves the latest reading, never a mean with an earlier one', () => {
    for (const definition of [hingeForward, edgeTight, gapAfterFold, openingWidth, linerMargin]) {
      const read = [2.5, 0.5].map((value, hour): Measurement => ({
        id: definition.id,
        value,
        unit: 'cm',
        at: `2026-01-10T0${hour}:00:00Z`,
      }))
      const of = (measurements: readonly Measurement[]): number | undefined =>
        resolveMeasurement({ ...readCase(ankleCase()).clinicalCase!, measurements }, definition, testContext().protocol).estimate?.value
      expect(of(read), definition.id).to.equal(0.5)
      expect(of([...read].reverse()), `${definition.id}, entered in the other order`).to.equal(0.5)
    }
  })

  it('wants the sound side for lengths, and says so when only the injured was read', () => {
    const file = ankleCase()
    file.measurements[0] = { id: 'slab-path', side: 'left', value: 52, unit: 'cm' }
    const plan = planFile(file)
    expect(cautionCodes(plan)).to.include('injured-side-only')
    expect(decisionOf(plan, 'slab-length').sd).to.equal(1)
  })

  it('takes the swollen side for girths, the sound one when nothing is swollen', () => {
    const file = ankleCase()
    file.measurements.push({ id: 'calf-girth', side: 'right', value: 36, unit: 'cm' })
    const calf = (): unknown => decisionOf(planFile(file), 'slab-width').working.find((line) => line.where === 'calf')?.value
    expect(calf()).to.equal(38)
    file.injury['swelling'] = 'none'
    expect(calf()).to.equal(36)
  })

  it('notes sides that differ', () => {
    const file = ankleCase()
    file.measurements.push({ id: 'calf-girth', side: 'right', value: 35.5, unit: 'cm' })
    expect(cautionCodes(planFile(file))).to.include('sides-differ')
  })

  it('pools only the latest occasion, and drops what was superseded', () => {
    const file = ankleCase()
    file.measurements = file.measurements.filter((measurement) => measurement['id'] !== 'calf-girth')
    file.measurements.push(
      { id: 'calf-girth', side: 'left', value: 36, unit: 'cm', occasion: 'morning', at: '2026-01-10T08:00:00Z' },
      { id: 'calf-girth', side: 'left', value: 39, unit: 'cm', occasion: 'noon', at: '2026-01-10T12:00:00Z', key: 'slip' },
      { id: 'calf-girth', side: 'left', value: 38, unit: 'cm', occasion: 'noon', at: '2026-01-10T12:01:00Z', supersedes: 'slip' },
    )
    const calf = decisionOf(planFile(file), 'slab-width').working.find((line) => line.where === 'calf')
    expect(calf?.value).to.equal(38)
  })

  it('warns about fingers that were never calibrated', () => {
    const file = ankleCase()
    file.measurements[1] = { id: 'ankle-girth', side: 'left', value: '14 fw' }
    expect(cautionCodes(planFile(file))).to.include('uncalibrated-fingers')
    file.measurements[1] = { id: 'ankle-girth', side: 'left', value: 14, unit: 'fw', breadthCm: 1.8 }
    expect(cautionCodes(planFile(file))).not.to.include('uncalibrated-fingers')
  })

  it('leaves out a reading of a leg without its side', () => {
    const file = ankleCase()
    file.measurements[0] = { id: 'slab-path', value: 52, unit: 'cm' }
    expect(problemLines(planFile(file))).to.deep.equal(['missing measurements/slab-path/side'])
  })
})

describe('making do without a tape', () => {
  const byEye = { id: 'slab-path', side: 'right', value: 50, unit: 'cm', tool: 'eye' }
  it('takes what is judged by eye as an estimate, a tenth off', () => {
    const file = ankleCase()
    file.measurements[0] = byEye
    expect(cautionCodes(planFile(file))).to.include('by-eye')
    expect(decisionOf(planFile(file), 'slab-length').sd).to.equal(5)
  })

  it('puts what is measured in its place, whenever it was judged', () => {
    const file = ankleCase()
    file.measurements.push(byEye)
    const plan = planFile(file)
    expect(cautionCodes(plan)).not.to.include('by-eye')
    expect(decisionOf(plan, 'slab-length').value).to.equal(decisionOf(planFile(ankleCase()), 'slab-length').value)
  })

  it('answers a neck read in own fingers in those fingers', () => {
    const collar = (value: Record<string, unknown>) =>
      decisionOf(
        planFile(
          changedExample('extrication-collar', (file) => {
            file.measurements = [{ id: 'neck-height', ...value }]
          }),
        ),
        'setting',
      )
    expect(collar({ value: 2.5, unit: 'fw', breadthCm: 2 }).display).to.match(/, 2\.5 fingers of 2\scm$/)
    expect(collar({ value: 5, unit: 'cm' }).display).not.to.match(/fingers/)
  })
})
