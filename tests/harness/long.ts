import { makeDraws } from './cases/random-draws'

/** Whether the long run is asked for (`npm test -- --long`, `npm test -- rest`): every test, and more cases of what is drawn or many. */
export const isLong = process.env['WREN_LONG'] === '1'

/** What the long run draws by, printed when it begins; WREN_SEED=N draws others. */
export const longSeed = Number(process.env['WREN_SEED'] ?? 1)

/**
 * A test that only the long run has: what it shows is shown by a cheaper one too, or is of the interface and seldom touched. The long run
 * is part of every landing, so that none rots unseen.
 */
export function itAtLength(title: string, body: (this: Mocha.Context) => void | PromiseLike<unknown>): { timeout(ms: number): unknown } {
  return isLong ? it(title, body as Mocha.AsyncFunc) : { timeout: () => undefined }
}

/**
 * A sample of a list that is the same every time: its first, its last, and others spread over it. The long run takes the whole list, or, where
 * that takes longer than its share, as many as `mostLong`, drawn by its seed.
 * @param most how many at most, 2 or more
 */
export function sampleOf<T>(list: readonly T[], most: number, mostLong = Infinity): readonly T[] {
  if (isLong) return list.length <= mostLong ? list : drawn(list, mostLong)
  if (list.length <= most) return list
  return Array.from({ length: most }, (_, index) => list[Math.round((index * (list.length - 1)) / (most - 1))] as T)
}

function drawn<T>(list: readonly T[], count: number): readonly T[] {
  const draw = makeDraws(longSeed)
  return list
    .map((one) => ({ one, at: draw(0, 1_000_000) }))
    .sort((a, b) => a.at - b.at)
    .slice(0, count)
    .map(({ one }) => one)
}
