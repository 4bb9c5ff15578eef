import { boots } from '../catalogue/boots'
import { trunkShells } from '../catalogue/trunk-shells'
import { drawTruncatedNormal, mulberry32 } from '../figures/crew/draws'
import { chooseSize, leastOdds } from '../figures/sizing/choose-size'
import { oddsOfSize, type SizedDimension } from '../figures/sizing/size-odds'
import type { StockItem } from '../model/clinical-case'
import { choiceAt, figureAt, type Bench, type BenchCaution, type ChoiceControl, type RangeControl } from './bench'

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
const people: ChoiceControl = {
  kind: 'choice',
  id: 'people',
  label: 'Share of 10 000',
  choices: [
    { id: 'women', label: 'women' },
    { id: 'men', label: 'men' },
    { id: 'children', label: 'children of 10' },
  ],
  usual: 'women',
}

/** Foot length and waist girth of groups, mean and spread, cm: rough, for teaching. */
const bodies = {
  boot: { women: [24.3, 1.2], men: [26.7, 1.4], children: [21.6, 1.3] },
  shell: { women: [84, 13], men: [94, 13], children: [62, 7] },
} as const
const count = 10_000

function stockOf(id: string): { readonly items: readonly StockItem[]; readonly dimension: string } {
  return id === 'shell' ? { items: trunkShells, dimension: 'waist-girth' } : { items: boots, dimension: 'foot-length' }
}

/** How sure a size is, what a second reading would buy, and whom a store fits: COMPUTATION 11. */
export const sizeBench: Bench = {
  id: 'size',
  name: 'Size',
  purpose: 'How sure a size is by one reading, and how many people a store would fit.',
  controls: [device, reading, doubt, swelling, school, people],
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
    const [mean, spread] = bodies[id][choiceAt(state, people) as keyof (typeof bodies)[typeof id]]
    const random = mulberry32(1)
    const tally = new Map<string, number>()
    for (let draw = 0; draw < count; draw++) {
      const bodyAt = drawTruncatedNormal(random, mean, spread)
      const size = sizes.find((item) => {
        const [low, high] = rangeOf(item)
        return bodyAt >= low && bodyAt < high
      })
      if (size) tally.set(String(size.size), (tally.get(String(size.size)) ?? 0) + 1)
    }
    const fitted = [...tally.values()].reduce((sum, one) => sum + one, 0)
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
        {
          id: 'people',
          label: 'This store fits',
          value: (100 * fitted) / count,
          unit: '%',
          digits: 1,
          words: `of ${count.toLocaleString('en').replace(',', ' ')} drawn`,
          working: `${count} people drawn with mean ${mean} and spread ${spread} cm; rough figures, for teaching. ${[...tally]
            .sort()
            .map(([size, n]) => `${size} ${((100 * n) / count).toFixed(0)} %`)
            .join(', ')}.`,
        },
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
      ],
    }

    function secondBest<T extends { readonly size: string; readonly odds: number }>(all: readonly T[]): T | undefined {
      return [...all].filter((one) => one.size !== chosen?.size).sort((a, b) => b.odds - a.odds)[0]
    }
  },
}
