/** Work on the same thing, one after another; on different things, at once. */
export type TakeTurns = <T>(key: string, work: () => Promise<T>) => Promise<T>

/**
 * Queues by key within this process. The database's locks are what counts, also between several servers; in here fifty writers of one
 * stay wait in memory instead of on ten connections that others need.
 */
export function createTurns(): TakeTurns {
  const last = new Map<string, Promise<unknown>>()
  return async (key, work) => {
    const before = last.get(key) ?? Promise.resolve()
    const own = before.then(work, work)
    last.set(key, own)
    try {
      return await own
    } finally {
      if (last.get(key) === own) last.delete(key)
    }
  }
}
