import { mulberry32 } from '#core/figures/crew/draws'

/** One simulated person; lengths and girths in cm, by the measurement ids of the catalogue's ranges. */
export interface Person {
  readonly ageYears: number
  readonly statureCm: number
  readonly massKg: number
  readonly cm: Readonly<Record<string, number>>
}

/** [years, mean stature cm, its sd, mean mass kg] as growth tables and adult surveys print them, men then women. */
const growth: readonly (readonly (readonly [number, number, number, number])[])[] = [
  [
    [4, 103.3, 4.2, 16.3],
    [6, 116, 4.9, 20.5],
    [8, 127.3, 5.6, 25.4],
    [10, 137.8, 6.3, 31.2],
    [12, 149.1, 7.3, 40.5],
    [14, 163.2, 8, 51],
    [16, 172.9, 7.5, 61],
    [18, 176.1, 7.2, 67],
    [40, 176, 7.2, 80],
    [60, 174, 7.2, 82],
    [80, 170.5, 7.2, 76],
    [90, 168.5, 7.2, 71],
  ],
  [
    [4, 102.7, 4.3, 16.1],
    [6, 115.1, 5, 20.2],
    [8, 126.6, 5.7, 25],
    [10, 138.6, 6.4, 31.9],
    [12, 151.2, 6.8, 41.5],
    [14, 159.8, 6.6, 49.5],
    [16, 162.5, 6.5, 54],
    [18, 163.1, 6.5, 57],
    [40, 163, 6.6, 67],
    [60, 161, 6.6, 70],
    [80, 156.5, 6.6, 65],
    [90, 154.5, 6.6, 60],
  ],
]

/** Share of stature (mid-thigh by the template). */
const girthShares = {
  'waist-girth': 0.48,
  'chest-girth': 0.54,
  'hip-girth': 0.57,
  'oblique-groin-girth': 0.33,
  'mid-thigh-girth': 0.21 * 1.42,
}
const lengthShares = { 'armpit-seat': 0.25, 'foot-length': 0.152, 'neck-height': 0.033 }
const girthSd = 0.06
const sharedPart = 0.8
const lengthSd = 0.03

/**
 * People drawn by age and sex: a person's girths stray from their share of stature with an sd of 6 %,
 * correlated 0.8, and the mass with them; lengths stray by 3 %.
 * @param ages from and to, years, 4 to 90
 */
export function drawPeople(count: number, ages: readonly [number, number], seed: number): readonly Person[] {
  const random = mulberry32(seed)
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  return Array.from({ length: count }, () => {
    const ageYears = ages[0] + random() * (ages[1] - ages[0])
    const [meanCm, sdCm, meanKg] = growthAt(growth[random() < 0.5 ? 0 : 1]!, ageYears)
    const statureCm = meanCm + sdCm * normal()
    const build = normal()
    const girth = (share: number): number =>
      share * statureCm * (1 + girthSd * (Math.sqrt(sharedPart) * build + Math.sqrt(1 - sharedPart) * normal()))
    const length = (share: number): number => share * statureCm * (1 + lengthSd * normal())
    const from = (shares: Readonly<Record<string, number>>, draw: (share: number) => number): Record<string, number> =>
      Object.fromEntries(Object.entries(shares).map(([id, share]) => [id, draw(share)]))
    return {
      ageYears,
      statureCm,
      massKg: meanKg * (statureCm / meanCm) ** 2 * (1 + girthSd * Math.sqrt(sharedPart) * build) ** 2,
      cm: { ...from(girthShares, girth), ...from(lengthShares, length) },
    }
  })
}

function growthAt(table: readonly (readonly [number, number, number, number])[], ageYears: number): [number, number, number] {
  const above = Math.max(
    1,
    table.findIndex((row) => row[0] >= ageYears),
  )
  const [low, high] = [table[above - 1]!, table[above]!]
  const part = (ageYears - low[0]) / (high[0] - low[0])
  return [1, 2, 3].map((column) => low[column]! + part * (high[column]! - low[column]!)) as [number, number, number]
}
