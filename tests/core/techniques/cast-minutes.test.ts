import { expect } from 'chai'
import { likelyWindows, worstLateMin } from '#core/figures/crew/likely-minutes'
import { rollReach } from '#core/figures/wraps/roll-reach'
import { castParts, castWindows, type CastFormation } from '#core/techniques/leg-cast/cast-parts'
import { rollSteps } from '#core/techniques/leg-cast/roll-steps'
import type { CastRoll } from '#core/techniques/leg-cast/materials'
import { changedExample } from '../../harness/cases/example-cases'
import { cautionCodes, planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'

const plan = (technique: string, change: (file: CaseFile) => void) => planFile(changedExample(technique, change))

const rolls = (count: number, zone: CastRoll['zone']): readonly CastRoll[] =>
  Array.from({ length: count }, () => ({ widthCm: 15, zone, reachCm: null }))
/** Upper shin, 8 rolls: leg 3, thigh 4, foot 1. */
const formation = (order: string): CastFormation => ({
  options: { order, 'foot-hold': 'helper' },
  isLong: true,
  isLowInjury: false,
  rolls: { lower: [...rolls(1, 'foot'), ...rolls(3, 'leg')], thigh: rolls(4, 'thigh') },
})
const clocks = (minutes: number) => ({
  minutes,
  sd: 0,
  cureMin: 0,
  workableShare: 0.8,
  releaseMin: 1.3 * minutes,
  lowerMin: 3 * minutes,
})
const laid = (order: string, setMin: number) => {
  const facts = {
    ...formation(order),
    isPlaster: true,
    set: clocks(setMin),
    lapCm: 10,
    angles: [],
    ankleWords: 'square',
    edge: 'padding' as const,
  }
  const steps = rollSteps(facts).map(({ id, minutes }) => ({ id, likelyMin: minutes[1] }))
  return likelyWindows(steps, castWindows(castParts(facts), 0.8), setMin)
}
const shapes = (order: string, setMin: number): readonly (readonly [string, number, number])[] =>
  laid(order, setMin)
    .filter(({ window }) => window.toAt === undefined)
    .map(({ window, doneMin, limitMin }) => [window.to, Number(doneMin.toFixed(1)), Number(limitMin.toFixed(1))])
const late = (order: string, setMin: number): readonly string[] =>
  laid(order, setMin)
    .filter(({ doneMin, limitMin }) => doneMin > limitMin)
    .map(({ window }) => window.to)

describe('the minutes of a cast', () => {
  it('from the injury at 18 °C: knee 4.2 of 4.7, edge 7.2 of 8.9, ankle 11.7 of 11.9; roll 6 on roll 3 is a damp joint', () => {
    expect(shapes('from-the-injury', 5.8675)).to.deep.equal([
      ['mould-knee', 4.2, 4.7],
      ['upper-edge', 7.2, 8.9],
      ['mould-ankle', 11.7, 11.9],
    ])
    expect(late('from-the-injury', 5.8675)).to.deep.equal(['roll-6'])
    const joint = laid('from-the-injury', 5.8675).find(({ window }) => window.to === 'roll-6')
    expect([joint?.window.from, joint?.doneMin.toFixed(1), joint?.limitMin.toFixed(1)]).to.deep.equal(['roll-3', '7.2', '7.1'])
  })

  it('from the injury at 22 °C: knee 0.2 and ankle 0.5 late', () => {
    expect(late('from-the-injury', 5)).to.include.members(['mould-knee', 'mould-ankle']).and.not.include('upper-edge')
    const by = (id: string): string => {
      const found = laid('from-the-injury', 5).find(({ window }) => window.to === id && window.toAt === undefined)
      return ((found?.doneMin ?? 0) - (found?.limitMin ?? 0)).toFixed(1)
    }
    expect([by('mould-knee'), by('mould-ankle')]).to.deep.equal(['0.2', '0.5'])
  })

  it('the lower part first, which is the default, is in time at 22 °C; in one it is not', () => {
    expect(worstLateMin(laid('lower-part-first', 5))).to.be.at.most(0)
    expect(late('in-one', 5)).to.include('mould')
  })

  it('every order lays each roll once and shapes both ends and the knee', () => {
    for (const order of ['lower-part-first', 'from-the-injury']) {
      for (const isLowInjury of [true, false]) {
        const parts = castParts({ ...formation(order), isLowInjury })
        expect(parts.flatMap((part) => part.rolls.map(({ id }) => id))).to.deep.equal(
          Array.from({ length: 8 }, (_, index) => `roll-${index + 1}`),
        )
        expect(parts.flatMap((part) => part.shapes)).to.include.members(['mould-ankle', 'mould-knee', 'upper-edge'])
        expect(parts[0]?.lapsOn).to.equal(null)
        for (const part of parts.slice(1)) expect(part.lapsOn, part.id).to.match(/^roll-/)
      }
    }
  })

  it('warns with what mends it and by how much, and the default carries neither caution', () => {
    expect(cautionCodes(plan('leg-cast', () => undefined)))
      .not.to.include.members(['set-before-moulded'])
      .and.not.include('damp-joint')
    const made = plan('leg-cast', (file) => void (file.options['order'] = 'in-one'))
    const caution = made.cautions.find(({ code }) => code === 'set-before-moulded')
    expect(caution?.steps).to.deep.equal(['mould'])
    expect(caution?.why).to.match(/the lower part first: 0\.\d min in hand/)
    expect(caution?.why).to.match(/clean water of 18 °C, fresh for each part: still \d\.\d min late/)
    expect(caution?.why).to.match(/slow plaster: /)
    expect(caution?.why).to.match(/one hand more, who wets each roll ahead: still \d\.\d min late/)
  })

  it('one roll of 15 × 270 cm reaches 51 cm at a girth of 40 by half overlap; turns at the knee take theirs', () => {
    expect(rollReach(270, 40, 15, 0.5, 0, 1)).to.be.closeTo(50.6, 0.05)
    expect(rollReach(270, 40, 15, 0.5, 4 * 40, 1)).to.be.closeTo(20.6, 0.05)
    expect(rollReach(270, 90, 15, 0.5, 400, 1)).to.equal(0)
  })
})

describe('how far each roll goes', () => {
  for (const order of ['lower-part-first', 'from-the-injury', 'in-one']) {
    it(`${order}: the lane has a band for each roll, on the limb, no longer than the roll can do; the last of the thigh ends at the top`, () => {
      const made = plan('leg-cast', (file) => void (file.options['order'] = order))
      const bands = made.geometry.bands.filter(({ kind }) => kind === 'reach')
      const rollSteps = made.procedure.steps.filter(({ id }) => /^roll-/.test(id))
      expect(bands.map(({ id }) => id)).to.deep.equal(rollSteps.map(({ id }) => id))
      const topCm = Math.max(...made.geometry.bands.filter(({ id }) => id === 'cast-thigh').map(({ toCm }) => toCm))
      for (const { id, fromCm, toCm } of bands) {
        const said = /it reaches (\d+) cm/.exec(rollSteps.find((step) => step.id === id)?.text ?? '')?.[1]
        expect(toCm, id).to.be.within(fromCm + 1, topCm)
        expect(toCm - fromCm, id).to.be.at.most(Number(said) + 1)
      }
      expect(Math.max(...bands.map(({ toCm }) => toCm))).to.equal(topCm)
    })
  }
})

describe('holds while it is wet', () => {
  for (const id of ['leg-slab', 'slab-and-stirrup', 'leg-cast']) {
    it(`${id}: nothing is padded, laid on or wrapped without a hand on it, or a position that holds it`, () => {
      for (const position of ['lying', 'face-down', 'hanging', 'seated']) {
        const { steps } = plan(id, (file) => void (file.options['position'] = position)).procedure
        const place = (step: string): number => steps.findIndex((each) => each.id === step)
        const held = steps.flatMap(({ holds }) => (holds ? [[place(holds.from), place(holds.to)] as const] : []))
        const isItself = id !== 'leg-cast' && (position === 'face-down' || position === 'hanging')
        steps.forEach((step, index) => {
          if (!step.roles.some((role) => ['first-layer', 'lays-on', 'wraps', 'moulds'].includes(role))) return
          const isHeld = held.some(([from, to]) => from < index && index <= to)
          expect(isHeld || isItself, `${step.id}, ${position}`).to.equal(true)
        })
      }
    })
  }
})
