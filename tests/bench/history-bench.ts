import { defineModels } from '../../src/server/db/models'
import { pastStays } from '../../src/server/demo/past-stays'
import { createEventRepository } from '../../src/server/repositories/events'
import { createStreamRepository } from '../../src/server/repositories/streams'
import { writeBulk, type BulkStay } from '../../src/server/writing/write-bulk'
import { observationsOf } from '#contract/records/observations'
import type { RoundRecord } from '#contract/records/episode'
import { openCase, startHarness, type Client } from '../harness/server-harness'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

const live = sized(500, 5)
/**
 * Past stays, each some 130 observations: few, ten times as many, and all the cases that a history has to find in. Under `--long` a tenth of a
 * million observations, a million, and 100 000 cases.
 */
const past = { few: sized(400, 5, 800), many: sized(4_000, 10, 8_000), all: sized(15_000, 20, 100_000) }
const atOnce = 500
/** What is asked of the history: nothing, names, places, techniques, numbers. */
export const searches = [
  '',
  'merryn',
  'gluyas',
  'ward',
  'ward a bed',
  'leg cast',
  'ankle left',
  'ts 10512',
  'hocken walker',
  'theatre',
  'branok crowle leg',
]

/** The Board and the history over a past that grows: seeded stays, written at once. */
export async function benchHistory(): Promise<readonly Figure[]> {
  const harness = await startHarness()
  try {
    const client = await harness.signIn('bench', ['clinician'])
    for (let made = 0; made < live; made++) await openCase(client)
    const models = defineModels(harness.db)
    const deps = { db: harness.db, events: createEventRepository(harness.db, models), streams: createStreamRepository(harness.db, models) }
    const actors = [{ id: client.personId, name: 'bench', roles: ['clinician' as const] }]
    const stays = pastStays(past.all, { seed: 1, lastMs: harness.now - 3_600_000, everyMs: 600_000, actors })
    let written = 0
    let observations = 0
    const growTo = async (count: number): Promise<void> => {
      while (written < count) {
        const some: BulkStay[] = []
        while (some.length < Math.min(atOnce, count - written)) {
          const next = stays.next()
          if (next.done) throw new Error('There are fewer past stays than are asked for')
          some.push(next.value)
          observations += countOf(next.value)
        }
        await writeBulk(deps, some)
        written += some.length
      }
    }
    await growTo(past.few)
    // Once for nothing: the first hundreds of requests of a server are slower than all that follow.
    await p95Of(client, () => '/api/board')
    const few = await p95Of(client, () => '/api/board')
    await growTo(past.many)
    const many = await p95Of(client, () => '/api/board')
    const inMany = observations
    await growTo(past.all)
    const history = await p95Of(client, (asked) => `/api/history?q=${encodeURIComponent(searches[asked % searches.length]!)}`)
    const millions = (inMany / 1e6).toFixed(1)
    return [
      {
        name: `Board of ${live} live cases over ${millions} million past observations, 95th percentile`,
        value: many,
        unit: 'ms',
        limit: 60,
      },
      { name: 'the same beside a tenth of the past', value: many / few, unit: 'times', limit: 1.2 },
      { name: `search of the history in ${past.all} cases, 95th percentile`, value: history, unit: 'ms', limit: 150 },
    ]
  } finally {
    await harness.stop()
  }
}

function countOf({ events }: BulkStay): number {
  return events.reduce((sum, { kind, body }) => sum + (kind === 'round' ? observationsOf(body as RoundRecord).length : 0), 0)
}

async function p95Of(client: Client, pathOf: (asked: number) => string): Promise<number> {
  const times: number[] = []
  for (let asked = 0; asked < 132; asked++) {
    const start = performance.now()
    const { status } = await client.get(pathOf(asked))
    if (status !== 200) throw new Error(`${pathOf(asked)} answered ${status}`)
    times.push(performance.now() - start)
  }
  return percentiles(times.slice(22)).p95
}
