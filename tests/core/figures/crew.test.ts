import { expect } from 'chai'
import fc from 'fast-check'
import { forecastCrew } from '#core/figures/crew/crew-odds'
import type { CrewInput } from '#core/model/crew-input'
import { drawTriangular, drawTruncatedNormal, mulberry32 } from '#core/figures/crew/draws'
import { prepareReplay } from '#core/figures/crew/replay'
import { scheduleWetPhase } from '#core/figures/crew/schedule'
import type { WetStep } from '#core/model/crew-input'

function step(id: string, likely: number, after: string[] = [], extra: Partial<WetStep> = {}): WetStep {
  return { id, minutes: [likely * 0.6, likely, likely * 1.6], hands: ['apply'], after, holdsUntil: [], ...extra }
}

describe('wet phase schedule', () => {
  it('runs a chain one after another, however many people there are', () => {
    const chain = [step('a', 1), step('b', 2, ['a']), step('c', 1, ['b'])]
    expect(scheduleWetPhase(chain, 1)?.makespanMin).to.equal(4)
    expect(scheduleWetPhase(chain, 4)?.makespanMin).to.equal(4)
  })

  it('fetches beside applying when there are two people', () => {
    const work = [step('a', 2), step('fetch', 2, [], { hands: ['fetch'] }), step('b', 1, ['a', 'fetch'])]
    expect(scheduleWetPhase(work, 1)?.makespanMin).to.equal(5)
    expect(scheduleWetPhase(work, 2)?.makespanMin).to.equal(3)
  })

  it('never lets two steps be applied at once', () => {
    expect(scheduleWetPhase([step('a', 2), step('b', 3)], 4)?.makespanMin).to.equal(5)
  })

  it('keeps a hold staffed from its first step to the end of its last', () => {
    const held = [step('a', 1, [], { holdsUntil: ['b'] }), step('b', 1, ['a'])]
    expect(scheduleWetPhase(held, 1)).to.equal(null)
    expect(scheduleWetPhase(held, 2)?.makespanMin).to.equal(2)
  })

  it('finds the best order where a greedy one does not', () => {
    const work = [
      step('long', 4, [], { hands: ['fetch'] }),
      step('x', 1),
      step('y', 1, ['x']),
      step('last', 1, ['long'], { hands: ['fetch'] }),
    ]
    expect(scheduleWetPhase(work, 2)?.makespanMin).to.equal(5)
  })

  it('does not take more than fourteen steps', () => {
    expect(() =>
      scheduleWetPhase(
        Array.from({ length: 15 }, (_, i) => step(`s${i}`, 1)),
        2,
      ),
    ).to.throw(RangeError)
  })

  it('never gets slower with one person more, nor beats its longest chain', () => {
    const random = fc.array(fc.record({ likely: fc.double({ min: 0.1, max: 3, noNaN: true }), after: fc.nat(5), fetch: fc.boolean() }), {
      minLength: 1,
      maxLength: 6,
    })
    fc.assert(
      fc.property(random, (drawn) => {
        const steps = drawn.map((one, index) =>
          step(`s${index}`, one.likely, one.after < index ? [`s${one.after}`] : [], one.fetch ? { hands: ['fetch'] } : {}),
        )
        const spans = [1, 2, 3].map((people) => scheduleWetPhase(steps, people)?.makespanMin ?? Infinity)
        const longest = Math.max(...steps.map((one) => one.minutes[1]))
        return spans.every((span, index) => span >= longest - 1e-9 && (index === 0 || span <= (spans[index - 1] ?? 0) + 1e-9))
      }),
      { numRuns: 60 },
    )
  })

  it('replays its order to the same minutes when nothing varies', () => {
    const work = [
      step('a', 1, [], { holdsUntil: ['c'] }),
      step('fetch', 2, [], { hands: ['fetch'] }),
      step('b', 2, ['a']),
      step('c', 1, ['b', 'fetch']),
    ]
    const schedule = scheduleWetPhase(work, 3)
    const ends = prepareReplay(work, schedule?.order ?? [], 3).play(Float64Array.from(work, (one) => one.minutes[1]))
    expect(Math.max(...ends)).to.be.closeTo(schedule?.makespanMin ?? 0, 1e-9)
  })
})

describe('crew odds', () => {
  const input: CrewInput = {
    steps: [step('wet', 0.5), step('lay', 1, ['wet']), step('mould', 1, ['lay'], { holdsUntil: ['mould'] })],
    wettingStep: 'wet',
    mouldingStep: 'mould',
    setMin: 5,
    setSdMin: 0.75,
    floor: 1,
    seed: 1,
  }

  it('needs the person who holds', () => {
    const crew = forecastCrew(input)
    expect(crew.leastCrew).to.equal(2)
    expect(crew.options[0]?.odds).to.equal(0)
    expect(crew.options[1]?.odds).to.be.greaterThan(0.9)
  })

  it('says so when nobody could be quick enough, and gives the floor', () => {
    const crew = forecastCrew({ ...input, setMin: 1, setSdMin: 0.1, floor: 2 })
    expect(crew).to.include({ isInTime: false, leastCrew: 2 })
  })

  it('gives the same odds for the same seed, and no better ones for less time', () => {
    expect(forecastCrew(input)).to.deep.equal(forecastCrew(input))
    const odds = [6, 4, 3, 2].map((setMin) => forecastCrew({ ...input, setMin, setSdMin: 0.15 * setMin }).options[1]?.odds ?? 0)
    expect([...odds].sort((a, b) => b - a)).to.deep.equal(odds)
  })

  it('draws inside its ranges, with the right middle', () => {
    const random = mulberry32(7)
    const draws = Array.from({ length: 4000 }, () => drawTriangular(random, [1, 2, 6]))
    expect(Math.min(...draws)).to.be.at.least(1)
    expect(Math.max(...draws)).to.be.at.most(6)
    expect(draws.reduce((sum, one) => sum + one, 0) / draws.length).to.be.closeTo(3, 0.1)
    const normal = Array.from({ length: 4000 }, () => drawTruncatedNormal(random, 5, 1))
    expect(Math.max(...normal.map((one) => Math.abs(one - 5)))).to.be.at.most(3)
    expect(normal.reduce((sum, one) => sum + one, 0) / normal.length).to.be.closeTo(5, 0.1)
  })
})
