import { expect } from 'chai'
import { catalogue } from '#core/catalogue/catalogue'
import { collars } from '#core/catalogue/collars'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { readingErrorDefaults } from '#core/quantities/reading-error'
import { leastOdds } from '#core/figures/sizing/choose-size'
import { nearestSetting } from '#core/figures/sizing/nearest-setting'
import { oddsLedBy, oddsOfSize, type SizeRanges } from '#core/figures/sizing/size-odds'
import type { StockItem } from '#core/model/clinical-case'
import { drawPeople, type Person } from '../../harness/people'

const errors = readDefaults(readingErrorDefaults, defaultProtocol)
const tapeCm = { along: errors.tapeAlongCm, round: errors.tapeRoundCm }
const enough = 0.6
const enoughOfTwo = 0.8

/** Every kind of device that comes in sizes, the ages it is for, and how its odds are made. */
const devices = [
  {
    name: 'trunk shell',
    ages: [16, 90],
    matches: (item: StockItem) => item.technique === 'trunk-shell',
    rule: oddsLedBy('waist-girth', leastOdds),
  },
  { name: 'seated vest', ages: [6, 90], matches: (item: StockItem) => item.technique === 'seated-vest', rule: oddsOfSize },
  { name: 'ring', ages: [4, 90], matches: (item: StockItem) => item.technique === 'ring-traction', rule: oddsOfSize },
  { name: 'suspended ring', ages: [4, 90], matches: (item: StockItem) => item.technique === 'suspended-ring-traction', rule: oddsOfSize },
  { name: 'sling', ages: [4, 90], matches: (item: StockItem) => item.item === 'sling', rule: oddsOfSize },
  { name: 'ring cover', ages: [4, 90], matches: (item: StockItem) => item.item === 'ring-cover', rule: oddsOfSize },
  { name: 'walker boot', ages: [4, 90], matches: (item: StockItem) => item.technique === 'walker-boot', rule: oddsOfSize },
] as const

const sizesOf = (matches: (item: StockItem) => boolean): readonly SizeRanges[] =>
  catalogue.items.filter((item) => matches(item) && item.fits).map((item) => item.fits!)

/** The distinct ranges of one dimension, ascending. */
function ladderOf(sizes: readonly SizeRanges[], dimension: string): readonly (readonly [number, number])[] {
  const distinct = new Map(sizes.map((fits) => [fits[dimension]!.join(), fits[dimension]!]))
  return [...distinct.values()].sort((a, b) => a[0] - b[0])
}

/** Two sizes as one, where they are neighbours on a single ladder and alike on the others. */
function joinNeighbours(sizes: readonly SizeRanges[]): readonly SizeRanges[] {
  const dimensions = Object.keys(sizes[0] ?? {})
  const placeOn = (dimension: string, fits: SizeRanges): number =>
    ladderOf(sizes, dimension).findIndex((range) => range.join() === fits[dimension]!.join())
  return sizes.flatMap((low) =>
    sizes.flatMap((high): SizeRanges[] => {
      const steps = dimensions.map((dimension) => placeOn(dimension, high) - placeOn(dimension, low))
      if (steps.some((step) => step < 0 || step > 1) || steps.filter((step) => step === 1).length !== 1) return []
      return [Object.fromEntries(dimensions.map((id) => [id, [low[id]![0], high[id]![1]] as const]))]
    }),
  )
}

function isServed(person: Person, sizes: readonly SizeRanges[], pairs: readonly SizeRanges[], rule: typeof oddsOfSize): boolean {
  const dimensions = Object.keys(sizes[0] ?? {}).map((id) => ({
    id,
    value: person.cm[id]!,
    sd: id.endsWith('girth') ? tapeCm.round : tapeCm.along,
    allowance: 0,
  }))
  return sizes.some((fits) => rule(dimensions, fits) >= enough) || pairs.some((fits) => rule(dimensions, fits) >= enoughOfTwo)
}

describe('the shipped catalogue', () => {
  for (const { name, ages, matches, rule } of devices) {
    describe(name, () => {
      const sizes = sizesOf(matches)

      it('fits at least 97 % of ten thousand people of the ages it is for', () => {
        const pairs = joinNeighbours(sizes)
        const served = drawPeople(10_000, ages, 20_260).filter((person) => isServed(person, sizes, pairs, rule)).length
        expect(served).to.be.at.least(9_700)
      })

      it('has no range wider than 18 % of its middle, and neighbours that overlap by at most a quarter and leave no gap', () => {
        for (const dimension of Object.keys(sizes[0]!)) {
          const ladder = ladderOf(sizes, dimension)
          expect(ladder.length, dimension).to.be.greaterThan(1)
          for (const [lo, hi] of ladder) expect((hi - lo) / ((hi + lo) / 2), `${dimension} ${lo} to ${hi}`).to.be.at.most(0.18)
          for (const [index, next] of ladder.slice(1).entries()) {
            const below = ladder[index]!
            const narrower = Math.min(below[1] - below[0], next[1] - next[0])
            expect(below[1] - next[0], `${dimension} at ${next[0]}`).to.be.within(0, narrower / 4)
          }
        }
      })
    })
  }

  it('has a collar setting, or two that are neighbours, near enough for at least 97 % of ten thousand people from four up', () => {
    const settings = collars.map((item) => ({ settingCm: item.setting!, isInStock: true }))
    const served = drawPeople(10_000, [4, 90], 20_261).filter((person) => {
      const all = nearestSetting(person.cm['neck-height']!, tapeCm.along, settings)!.all
      return all.some((setting, index) => setting.odds >= enough || setting.odds + (all[index + 1]?.odds ?? 0) >= enoughOfTwo)
    }).length
    expect(served).to.be.at.least(9_700)
  })
})

describe('the simulated people', () => {
  const people = drawPeople(10_000, [16, 90], 7)
  const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
  /** How far two girths of the same person stray from their shares, as a correlation. */
  const strays = (id: string, share: number): readonly number[] => people.map((person) => person.cm[id]! / (share * person.statureCm) - 1)
  const sdOf = (values: readonly number[]): number => Math.sqrt(meanOf(values.map((value) => value * value)) - meanOf(values) ** 2)

  it('stray from the share of stature by 6 % a girth, correlated 0.8', () => {
    const [waist, chest] = [strays('waist-girth', 0.48), strays('chest-girth', 0.54)]
    expect(sdOf(waist)).to.be.closeTo(0.06, 0.002)
    const together = meanOf(waist.map((value, index) => value * chest[index]!)) - meanOf(waist) * meanOf(chest)
    expect(together / (sdOf(waist) * sdOf(chest))).to.be.closeTo(0.8, 0.02)
  })

  it('are as tall and as heavy as adults are', () => {
    expect(meanOf(people.map((person) => person.statureCm))).to.be.closeTo(167.5, 2)
    expect(meanOf(people.map((person) => person.massKg))).to.be.closeTo(71, 4)
  })

  it('come again with the same seed', () => {
    expect(drawPeople(3, [16, 90], 7)).to.deep.equal(drawPeople(3, [16, 90], 7))
  })
})
