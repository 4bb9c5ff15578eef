import { boots } from '../catalogue/boots'
import { trunkShells } from '../catalogue/trunk-shells'
import { drawTruncatedNormal, mulberry32 } from '../figures/crew/draws'
import { chooseSize, leastOdds } from '../figures/sizing/choose-size'
import { oddsOfSize, type SizedDimension } from '../figures/sizing/size-odds'
import type { StockItem } from '../model/clinical-case'
import { choiceAt, figureAt, type Bench, type BenchCaution, type BenchFigure, type ChoiceControl, type RangeControl } from './bench'

const device: ChoiceControl = {
  kind: 'choice',
  id: 'device',
  label: 'Device',
  choices: [
    { id: 'boot', label: 'walker boot, by the foot' },
    { id: 'shell', label: 'trunk shell, by the waist' },
  ],
  usual: 'boot',
}
const reading: RangeControl = { kind: 'range', id: 'reading', label: 'Reading', unit: 'cm', least: 15, greatest: 135, step: 0.5, usual: 26 }
const doubt: RangeControl = {
  kind: 'range',
  id: 'doubt',
  label: 'Doubt, ±',
  unit: 'cm',
  least: 0.1,
  greatest: 4,
  step: 0.1,
  usual: 0.5,
}
const swelling: RangeControl = {
  kind: 'range',
  id: 'swelling',
  label: 'Allowed for swelling',
  unit: 'cm',
  least: 0,
  greatest: 6,
  step: 0.5,
  usual: 0,
}
const school: ChoiceControl = {
  kind: 'choice',
  id: 'school',
  label: 'Of two as good',
  choices: [
    { id: 'larger', label: 'the larger' },
    { id: 'smaller', label: 'the smaller' },
  ],
  usual: 'larger',
}
const age: RangeControl = {
  kind: 'range',
  id: 'age',
  label: 'Age of the people',
  unit: 'years',
  least: 4,
  greatest: 88,
  step: 2,
  usual: 40,
}

type Sex = 'women' | 'men'
const sexes: readonly Sex[] = ['women', 'men']
/** Foot length and waist girth by age, mean and spread in cm, even between the ages named: rough, for teaching. */
const bodies: Readonly<Record<'boot' | 'shell', Readonly<Record<Sex, readonly (readonly [age: number, mean: number, spread: number])[]>>>> =
  {
    boot: {
      women: [
        [4, 16.4, 0.9],
        [10, 21.4, 1.2],
        [15, 24.2, 1.2],
        [88, 24.2, 1.2],
      ],
      men: [
        [4, 16.6, 0.9],
        [10, 21.8, 1.3],
        [16, 26.7, 1.4],
        [88, 26.6, 1.4],
      ],
    },
    shell: {
      women: [
        [4, 52, 3.5],
        [10, 61, 7],
        [18, 74, 10],
        [40, 84, 13],
        [70, 90, 13],
        [88, 88, 13],
      ],
      men: [
        [4, 53, 3.5],
        [10, 63, 7],
        [18, 79, 10],
        [40, 94, 13],
        [70, 100, 13],
        [88, 98, 13],
      ],
    },
  }
const count = 10_000
const ages = [4, 6, 8, 10, 12, 14, 16, 18, 25, 35, 45, 55, 65, 75, 88] as const
/** The same people at every age and of both sexes: how far each is from the middle, in spreads. */
const drawn = ((): readonly number[] => {
  const random = mulberry32(1)
  return Array.from({ length: count }, () => drawTruncatedNormal(random, 0, 1))
})()

/** Mean and spread of a group at an age. */
function bodyAt(device: keyof typeof bodies, sex: Sex, ageYears: number): readonly [mean: number, spread: number] {
  const table = bodies[device][sex]
  const next = table.findIndex(([at]) => at >= ageYears)
  const to = table[next] ?? table.at(-1)
  const from = table[next - 1] ?? to
  if (!from || !to) return [0, 0]
  const share = to[0] === from[0] ? 0 : (ageYears - from[0]) / (to[0] - from[0])
  return [from[1] + share * (to[1] - from[1]), from[2] + share * (to[2] - from[2])]
}

function stockOf(id: string): { readonly items: readonly StockItem[]; readonly dimension: string } {
  return id === 'shell' ? { items: trunkShells, dimension: 'waist-girth' } : { items: boots, dimension: 'foot-length' }
}

/** How sure a size is, what a second reading would buy, and whom a store fits. */
export const sizeBench: Bench = {
  id: 'size',
  name: 'Size',
  purpose: 'How sure a size is by one reading, and how many people a store would fit.',
  controls: [device, reading, doubt, swelling, school, age],
  work: (state) => {
    const id = choiceAt(state, device) as keyof typeof bodies
    const { items, dimension } = stockOf(id)
    const rangeOf = (item: StockItem): readonly [number, number] => item.fits?.[dimension] ?? [0, 0]
    // One dimension leads here; sizes that share its range are one.
    const sizes = items
      .filter((item, index) => items.findIndex((one) => rangeOf(one)[0] === rangeOf(item)[0]) === index)
      .map((item) => ({ ...item, fits: { [dimension]: rangeOf(item) } }))
    const at = (value: number, sd: number): SizedDimension => ({
      id: dimension,
      value,
      sd,
      allowance: figureAt(state, swelling),
      isGirth: id === 'shell',
    })
    const prefer = choiceAt(state, school) as 'larger' | 'smaller'
    const [value, sd] = [figureAt(state, reading), figureAt(state, doubt)]
    const bare = sizes.map(({ prefer: _, ...item }) => item)
    const choice = chooseSize(bare, [at(value, sd)], prefer)
    const second = chooseSize(bare, [at(value, sd / Math.SQRT2)], prefer)
    const lows = sizes.map(rangeOf)
    /** Share of the people of an age whom some size fits, %. */
    const fitted = (sex: Sex, ageYears: number): number => {
      const [mean, spread] = bodyAt(id, sex, ageYears)
      const fit = drawn.filter((z) => lows.some(([low, high]) => mean + z * spread >= low && mean + z * spread < high))
      return (100 * fit.length) / count
    }
    const ageYears = figureAt(state, age)
    const chosen = choice?.chosen
    const cautions: BenchCaution[] = []
    if (!chosen || chosen.odds < leastOdds)
      cautions.push({
        level: 'stop',
        text: 'No size fits: another device, or one made for it.',
        why: `Best odds ${(100 * (choice?.best.odds ?? 0)).toFixed(0)} %; under ${100 * leastOdds} % it is a guess.`,
      })
    else if (chosen.odds < 0.6)
      cautions.push({
        level: 'caution',
        text: 'Between two sizes: read again before you open a box.',
        why: `${(100 * chosen.odds).toFixed(0)} % for ${chosen.size}; a second reading as good brings ${(100 * (second?.best.odds ?? 0)).toFixed(0)} %.`,
      })
    const rangeWords = (item: StockItem | undefined): string => (item ? `${rangeOf(item)[0]} to ${rangeOf(item)[1]} cm` : '')
    return {
      cautions,
      figures: [
        {
          id: 'odds',
          label: chosen ? chosen.size : 'No size',
          value: chosen ? 100 * chosen.odds : null,
          unit: '% odds',
          digits: 0,
          words: chosen ? rangeWords(chosen.item) : 'none is in reach',
          working: `${value} + ${figureAt(state, swelling)} cm, spread √(${sd}² + (½·${figureAt(state, swelling)})²) cm, taken as normal over the labelled ranges.`,
        },
        {
          id: 'second',
          label: 'After a second reading',
          value: second ? 100 * second.best.odds : null,
          unit: '% odds',
          digits: 0,
          ...(second ? {} : { words: 'none' }),
          working: `The same with the doubt of two readings, ${sd} ÷ √2.`,
        },
        {
          id: 'next',
          label: 'Next best',
          value: 100 * (secondBest(choice?.all ?? [])?.odds ?? 0),
          unit: '% odds',
          digits: 0,
          words: secondBest(choice?.all ?? [])?.size ?? '',
          working: 'Of the sizes that were not chosen, the one with the best odds.',
        },
        ...sexes.map((sex): BenchFigure => {
          const [mean, spread] = bodyAt(id, sex, ageYears)
          return {
            id: sex,
            label: `This store fits, ${sex} of ${ageYears}`,
            value: fitted(sex, ageYears),
            unit: '%',
            digits: 1,
            working: `10 000 people drawn with mean ${mean.toFixed(1)} and spread ${spread.toFixed(1)} cm; rough figures, for teaching.`,
          }
        }),
      ],
      scenes: [
        {
          kind: 'curves',
          id: 'odds',
          title: 'Odds of each size as the reading moves',
          xLabel: 'reading, cm',
          yLabel: '%',
          lines: sizes.map((item) => ({
            label: String(item.size),
            tone: item.size === chosen?.size ? ('ink' as const) : ('soft' as const),
            points: Array.from({ length: 81 }, (_, index) => {
              const [low, high] = [rangeOf(sizes[0] ?? item)[0] - 2, rangeOf(sizes.at(-1) ?? item)[1] + 2]
              const x = low + ((high - low) * index) / 80
              return [x, 100 * oddsOfSize([at(x, sd)], item.fits)] as const
            }),
          })),
          yRange: [0, 100],
          atX: value,
          words: `Odds of each size by the reading; at ${value} cm ${chosen ? `${chosen.size} has ${(100 * chosen.odds).toFixed(0)} percent` : 'no size is in reach'}.`,
        },
        {
          kind: 'curves',
          id: 'ages',
          title: 'Whom this store fits, by age',
          xLabel: 'age, years',
          yLabel: '% of 10 000',
          lines: sexes.map((sex, index) => ({
            label: sex,
            tone: index === 0 ? ('ink' as const) : ('calm' as const),
            points: ages.map((one) => [one, fitted(sex, one)] as const),
          })),
          yRange: [0, 100],
          atX: ageYears,
          words: `Share of people whom some size fits; at ${ageYears} years ${fitted('women', ageYears).toFixed(0)} percent of women and ${fitted('men', ageYears).toFixed(0)} of men.`,
        },
      ],
    }

    function secondBest<T extends { readonly size: string; readonly odds: number }>(all: readonly T[]): T | undefined {
      return [...all].filter((one) => one.size !== chosen?.size).sort((a, b) => b.odds - a.odds)[0]
    }
  },
}
