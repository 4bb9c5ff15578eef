import type { StockItem } from './clinical-case'
import type { Protocol } from '../quantities/defaults'

/** A bounded store for slow results, owned by the caller. */
export interface Memo {
  get(key: string): unknown
  set(key: string, value: unknown): void
  /** Whether it knows nothing: then nobody need work out a key. */
  isEmpty(): boolean
}

/** Everything a plan needs beside the case: nothing in core reads a clock, a file or a random source. */
export interface PlanContext {
  readonly catalogue: { readonly version: string; readonly items: readonly StockItem[] }
  readonly protocol: Protocol
  readonly seed: number
  /** ISO 8601, UTC. */
  readonly now: string
  readonly zone: string
  readonly memo: Memo
}

/**
 * A memo that forgets its oldest entry beyond `limit`.
 * @param limit entries kept, 1 or more
 */
export function createMemo(limit = 200): Memo {
  const entries = new Map<string, unknown>()
  return {
    get: (key) => entries.get(key),
    isEmpty: () => entries.size === 0,
    set(key, value) {
      entries.set(key, value)
      if (entries.size <= limit) return
      const oldest = entries.keys().next()
      if (!oldest.done) entries.delete(oldest.value)
    },
  }
}
