import { routeRights } from '#contract/api/route-rights'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { mulberry32 } from '#core/figures/crew/draws'
import { v7 as uuidv7 } from 'uuid'
import { goodBodies, hostileValues, pathsIn, withValue } from './good-events'

/** A request as bytes would make it: nothing in it has to be right. */
export interface BadRequest {
  readonly method: string
  readonly path: string
  readonly headers: Readonly<Record<string, string>>
  readonly body: string | Buffer | null
}

/** What a generator may use: ids that exist, sessions that hold. */
export interface BadWorld {
  readonly ids: readonly string[]
  readonly sessions: readonly { readonly cookie: string; readonly csrf: string }[]
}

const methods = ['GET', 'GET', 'GET', 'POST', 'POST', 'POST', 'POST', 'DELETE', 'PUT', 'PATCH', 'OPTIONS', 'HEAD']
const oddParts = [
  '',
  '.',
  '..%2f..%2fetc',
  '%00',
  '%',
  '%zz',
  'null',
  'undefined',
  '0',
  '-1',
  '1e9',
  '😀',
  'a'.repeat(3_000),
  "' OR 1=1 --",
  '<script>',
  '__proto__',
  'constructor',
  '%c0%af',
]
const queryNames = [
  'q',
  'after',
  'sheet',
  'zone',
  'lot',
  'of',
  'from',
  'until',
  'person',
  'number',
  'place',
  'run',
  'since',
  '__proto__',
  'q[a]',
  'q[]',
]
const contentTypes = [
  'application/json',
  'application/json',
  'application/json',
  'text/csv',
  'text/plain',
  'image/jpeg',
  'application/problem+json',
  'multipart/form-data',
  'application/json; charset=utf-16',
  'application/x-www-form-urlencoded',
  'nonsense',
  '',
]

/** Requests that no honest page makes, the same for the same seed: every route, every kind of event, with nonsense wherever there is room. */
export function badRequests(seed: number, world: BadWorld): () => BadRequest {
  const random = mulberry32(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const chance = (share: number): boolean => random() < share
  const patterns = Object.keys(routeRights)
  const kinds = Object.keys(goodBodies) as EventKindId[]

  const odd = (): string => (chance(0.5) ? pick(world.ids) : chance(0.4) ? uuidv7() : pick(oddParts))
  const value = (): unknown => pick(hostileValues)
  const query = (): string => {
    const parts = Array.from(
      { length: Math.floor(random() * 4) },
      () => `${pick(queryNames)}=${encodeURIComponent(String(chance(0.5) ? odd() : text(value())))}`,
    )
    return parts.length > 0 ? `?${parts.join('&')}` : ''
  }
  const event = (): unknown => {
    const kind = pick(kinds)
    const good: unknown = goodBodies[kind]
    const body = chance(0.7) && pathsIn(good, 4).length > 0 ? withValue(good as object, pick(pathsIn(good, 4)), value()) : good
    const whole: Record<string, unknown> = {
      id: chance(0.9) ? uuidv7() : pick(world.ids),
      stream: { type: eventKinds[kind].stream, id: odd() },
      kind,
      v: newestVersion(kind),
      body,
      at: pick(['2026-01-10T08:00:00Z', '1970-01-01T00:00:00Z', '9999-12-31T23:59:59Z', '2026-01-10', 'soon', '']),
      offsetMs: pick([0, 0, 1e15, -1, 0.5]),
      base: pick([0, 1, 2, -1, 1e12]),
    }
    if (chance(0.2)) whole[pick(Object.keys(whole))] = value()
    if (chance(0.1)) delete whole[pick(Object.keys(whole))]
    return whole
  }
  const body = (): string | Buffer => {
    const roll = random()
    if (roll < 0.55) return text(event())
    if (roll < 0.65) return text(event()).slice(0, Math.floor(random() * 200))
    if (roll < 0.75) return text(value())
    if (roll < 0.8) return '['.repeat(5_000)
    if (roll < 0.85) return `{"a":${'{"a":'.repeat(2_000)}1${'}'.repeat(2_001)}`
    if (roll < 0.9) return Buffer.from(Array.from({ length: 200 }, () => Math.floor(random() * 256)))
    if (roll < 0.95)
      return text({ name: value(), password: value(), roles: value(), action: value(), pin: value(), sealed: value(), code: value() })
    return text(Object.fromEntries(Array.from({ length: 50 }, (_, index) => [`k${index}`, value()])))
  }

  return () => {
    const [method = 'GET', pattern = '/'] = pick(patterns).split(' ')
    const path = pattern.replaceAll(/:\w+/g, () => (chance(0.6) ? pick(world.ids) : odd()))
    const session = pick(world.sessions)
    const sends = chance(0.85) ? method : pick(methods)
    const headers: Record<string, string> = {}
    if (chance(0.9)) headers['cookie'] = session.cookie
    else if (chance(0.5))
      headers['cookie'] = pick(['wren_session=x', 'wren_session=', '=;;=', `wren_device=${odd().replaceAll(/[^ -~]/g, '')}`])
    if (chance(0.92)) headers['x-csrf-token'] = session.csrf
    if (chance(0.1)) headers['accept-encoding'] = 'nonsense'
    if (chance(0.05)) headers['content-encoding'] = pick(['gzip', 'br', 'nonsense'])
    if (chance(0.1)) headers['last-event-id'] = odd().replaceAll(/[^ -~]/g, '')
    const hasBody = sends !== 'GET' && sends !== 'HEAD' && chance(0.95)
    if (hasBody) headers['content-type'] = pick(contentTypes)
    // What ends a session would leave the rest of the requests outside.
    const isEnding = sends === 'DELETE' && path === '/api/session'
    return { method: isEnding ? 'PUT' : sends, path: `${path}${query()}`, headers, body: hasBody ? body() : null }
  }
}

/** JSON of anything, as somebody's program would send it. */
function text(value: unknown): string {
  return JSON.stringify(value, (_, one: unknown) => (typeof one === 'bigint' ? String(one) : one)) ?? 'undefined'
}
