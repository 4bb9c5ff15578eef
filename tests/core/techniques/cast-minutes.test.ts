import { expect } from 'chai'
import { likelyWindows, worstLateMin } from '#core/figures/crew/likely-minutes'
import { castParts, castWindows, type CastFormation } from '#core/techniques/leg-cast/cast-parts'
import { rollSteps } from '#core/techniques/leg-cast/roll-steps'
import type { CastRoll } from '#core/techniques/leg-cast/roll-zones'
import { changedExample } from '../../harness/cases/example-cases'
import { cautionCodes, planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'

const plan = (technique: string, change: (file: CaseFile) => void) => planFile(changedExample(technique, change))

const rolls = (count: number, zone: CastRoll['zone']): readonly CastRoll[] =>
  Array.from({ length: count }, () => ({ widthCm: 15, zone, runs: [] }))
/** Upper shin, 8 rolls: foot 2, leg 3, thigh 3. */
const formation = (order: string): CastFormation => ({
  options: { order, 'foot-hold': 'helper' },
  isLong: true,
  isLowInjury: false,
  rolls: { lower: [...rolls(2, 'foot'), ...rolls(3, 'leg')], thigh: rolls(3, 'thigh') },
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
    parts: castParts(formation(order)),
    isPlaster: true,
    set: clocks(setMin),
    angles: [],
    ankleWords: 'square',
    edge: 'padding' as const,
    isHeldByHand: true,
    places: null,
    passLayers: 2,
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
  it('the lower part first, by slow plaster at 22 °C: ankle 4.5 of 6.4, cuts 7.2 of 10.9, knee 10.2 of 13.6, edge 12.0 of 16.9', () => {
    expect(shapes('lower-part-first', 8)).to.deep.equal([
      ['mould-ankle', 4.5, 6.4],
      ['relief-cuts', 7.2, 10.9],
      ['mould-knee', 10.2, 13.6],
      ['upper-edge', 12, 16.9],
    ])
    expect(late('lower-part-first', 8)).to.deep.equal([])
  })

  it('by fast plaster at 22 °C the ankle is 0.5 min late: three rolls and its turned edge take 4.5 of 4.0', () => {
    expect(late('lower-part-first', 5)).to.deep.equal(['mould-ankle'])
    expect(worstLateMin(laid('lower-part-first', 5))).to.be.closeTo(0.5, 1e-9)
  })

  it('from the injury at 22 °C, slow: two rolls over the break and two of the knee, 5.4 of 6.4; the ankle, last, in time as well', () => {
    expect(shapes('from-the-injury', 8)[0]).to.deep.equal(['mould-knee', 5.4, 6.4])
    expect(late('from-the-injury', 8)).to.deep.equal([])
    const joint = laid('from-the-injury', 8).find(({ window }) => window.to === 'roll-6')
    expect(joint?.window.from, 'the last roll of the lower leg is laid on the second').to.equal('roll-2')
  })

  it('in one nothing is in time', () => {
    expect(late('in-one', 8)).to.include('mould')
  })

  it('every order lays each roll once, two over the break before moving on, and shapes both ends and the knee', () => {
    for (const order of ['lower-part-first', 'from-the-injury']) {
      for (const isLowInjury of [true, false]) {
        const parts = castParts({ ...formation(order), isLowInjury })
        expect(parts.flatMap((part) => part.rolls.map(({ id }) => id))).to.deep.equal(
          Array.from({ length: 8 }, (_, index) => `roll-${index + 1}`),
        )
        expect(parts.flatMap((part) => part.shapes)).to.include.members(['mould-ankle', 'mould-knee', 'upper-edge'])
        expect(parts[0]?.lapsOn).to.equal(null)
        for (const part of parts.slice(1)) expect(part.lapsOn, part.id).to.match(/^roll-/)
        if (order === 'from-the-injury')
          expect(
            parts[0]?.rolls.slice(0, 2).map(({ roll }) => roll.zone),
            `low ${isLowInjury}`,
          ).to.deep.equal(['leg', 'leg'])
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
    expect(caution?.why).to.match(/the lower part first: 1\.9 min in hand/)
    expect(caution?.why).to.match(/clean water of 18 °C, fresh for each part: still \d\.\d min late/)
    expect(caution?.why, 'it is slow already').not.to.match(/slow plaster: /)
    expect(caution?.why).to.match(/one hand more, who wets each roll ahead: still \d\.\d min late/)
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
        expect(toCm, id).to.be.within(fromCm + 1, topCm)
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
