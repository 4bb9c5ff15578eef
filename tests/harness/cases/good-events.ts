import { eventKinds, type EventKindId } from '#contract/events/index'
import { planFile } from './leg-slab-cases'
import { exampleOf } from './example-cases'

/** A good body of every kind of event: its example, and for a plan one that is whole. */
export const goodBodies: Readonly<Record<EventKindId, object>> = {
  ...(Object.fromEntries(Object.entries(eventKinds).map(([id, kind]) => [id, kind.example])) as Record<EventKindId, object>),
  plan: { plan: planFile(exampleOf('leg-slab')) },
}

/** Values that nobody should send and somebody will. */
export const hostileValues: readonly unknown[] = [
  null,
  '',
  '   ',
  'abc',
  'x'.repeat(5_000),
  '\u0000\u202e💥',
  '__proto__',
  -1,
  1e308,
  0.1 + 0.2,
  true,
  [],
  [null],
  {},
  { constructor: { prototype: 1 } },
  Array.from({ length: 3_000 }, () => 'x'),
]

/** The paths of all leaves and lists in a body, as far as `depth` levels down. */
export function pathsIn(value: unknown, depth = 4, at: readonly (string | number)[] = []): readonly (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null || depth === 0) return [at]
  const below = (Object.entries(value) as [string, unknown][]).flatMap(([key, one]) =>
    pathsIn(one, depth - 1, [...at, Array.isArray(value) ? Number(key) : key]),
  )
  return at.length > 0 ? [at, ...below] : below
}

/** A deep copy of a body with another value at a path. */
export function withValue(body: object, path: readonly (string | number)[], value: unknown): object {
  const copy = structuredClone(body) as Record<string | number, unknown>
  let inner = copy
  for (const part of path.slice(0, -1)) inner = inner[part] as Record<string | number, unknown>
  inner[path.at(-1) ?? ''] = value
  return copy
}
