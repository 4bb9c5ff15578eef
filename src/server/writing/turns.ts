/** Work on the same thing one after another, on different things at once. */
export interface Turns<Item, Result> {
  /** Does a work by itself, when nothing else is done on its key. */
  alone<T>(key: string, work: () => Promise<T>): Promise<T>
  /** Does an item of work together with all others that wait by then, on whatever key. */
  together(key: string, item: Item): Promise<Result>
}

interface Waiting<Item, Result> {
  readonly key: string
  /** Null for what is done alone. */
  readonly item: { readonly of: Item; resolve(result: Result): void; reject(error: unknown): void } | null
  start(): void
}

/** So many are done together at most: whoever is first among them waits for the last. */
const mostTogether = 32
/** While one is written to the disk another is prepared. */
const mostAtOnce = 2

/**
 * Queues by key within this process. The database's locks are what counts, also between several servers; in here fifty writers wait in memory
 * instead of on ten connections that others need, and what waits together is committed together.
 * @param doTogether does items in their order and answers for each: its result, or why it was refused. It throws when nothing was done: then
 * each is done by itself, so that none spoils it for the others
 */
export function createTurns<Item, Result>(
  doTogether: (items: readonly Item[]) => Promise<readonly (Result | Error)[]>,
): Turns<Item, Result> {
  const waiting: Waiting<Item, Result>[] = []
  const busy = new Set<string>()
  let together = 0
  let isDue = false

  const goOn = (): void => {
    if (isDue) return
    isDue = true
    // What came in the same moment goes together.
    setImmediate(begin)
  }
  const done = (keys: Iterable<string>): void => {
    for (const key of keys) busy.delete(key)
    goOn()
  }

  function begin(): void {
    isDue = false
    const blocked = new Set(busy)
    const joined: Waiting<Item, Result>[] = []
    const joinedKeys = new Set<string>()
    for (const one of waiting.splice(0)) {
      const mayStart = one.item
        ? !blocked.has(one.key) && together < mostAtOnce && joined.length < mostTogether
        : !blocked.has(one.key) && !joinedKeys.has(one.key)
      if (!mayStart) {
        waiting.push(one)
        blocked.add(one.key)
      } else if (one.item) {
        joined.push(one)
        joinedKeys.add(one.key)
      } else {
        blocked.add(one.key)
        one.start()
      }
    }
    if (joined.length > 0) void doAll(joined, joinedKeys)
  }

  async function doAll(joined: readonly Waiting<Item, Result>[], keys: ReadonlySet<string>): Promise<void> {
    const items = joined.flatMap(({ item }) => (item ? [item] : []))
    for (const key of keys) busy.add(key)
    together++
    const settle = (results: readonly (Result | Error)[]): void =>
      results.forEach((result, index) => (result instanceof Error ? items[index]?.reject(result) : items[index]?.resolve(result)))
    try {
      settle(await doTogether(items.map((item) => item.of)))
    } catch (error) {
      if (items.length === 1) items[0]?.reject(error)
      else
        for (const item of items)
          await doTogether([item.of]).then(
            ([result]) => (result instanceof Error ? item.reject(result) : item.resolve(result as Result)),
            item.reject,
          )
    } finally {
      together--
      done(keys)
    }
  }

  return {
    alone: (key, work) =>
      new Promise((resolve, reject) => {
        const start = (): void => {
          busy.add(key)
          void work()
            .then(resolve, reject)
            .finally(() => done([key]))
        }
        waiting.push({ key, item: null, start })
        goOn()
      }),
    together: (key, of) =>
      new Promise((resolve, reject) => {
        waiting.push({ key, item: { of, resolve, reject }, start: () => undefined })
        goOn()
      }),
  }
}
