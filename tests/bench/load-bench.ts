import { startDurableServers } from '../harness/durable-servers'
import { openCase, openClient, reading, type Client, type OpenedCase } from '../harness/server-harness'
import type { EventKindId } from '#contract/events/index'
import { listenAs, residentMb, workTogether } from './at-work'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

const people = sized(200, 3)
const seconds = sized(60, 5)
const streams = sized(500, 4)
const events = { few: sized(50, 4), many: sized(5_000, 8) }

/** A hospital at work on one server: everybody writes, everybody listens, and one case has become very long. */
export async function benchLoad(): Promise<readonly Figure[]> {
  // In earnest: a database that writes to its disk, as the one of the tests does not.
  const durable = await startDurableServers(1)
  const [server] = durable.servers
  try {
    const clients: Client[] = []
    for (let index = 0; index < people; index++)
      clients.push(await openClient(server!.address, durable.lead.id, durable.lead.name, durable.lead.password))
    const pages = listenAs(server!.address, clients, streams)
    const { writes, boards } = await workTogether(clients, seconds, pages)
    const megabytes = await residentMb(server!.child().pid ?? 0)
    pages.stop()
    const growth = await growthOf(clients[0]!)
    return [
      {
        name: `write of ${people} people at work for ${seconds} s, 95th percentile`,
        value: percentiles(writes).p95,
        unit: 'ms',
        limit: 200,
      },
      { name: 'Board meanwhile, 95th percentile', value: percentiles(boards).p95, unit: 'ms', limit: 200 },
      { name: `memory of the server with ${streams} streams`, value: megabytes, unit: 'MB', limit: 400 },
      { name: `write to a case of ${events.many} events against one of ${events.few}`, value: growth, unit: 'times', limit: 1.5 },
    ]
  } finally {
    await durable.stop()
  }
}

async function growthOf(client: Client): Promise<number> {
  const short = await openCase(client)
  const long = await openCase(client)
  await growTo(client, short, events.few)
  await growTo(client, long, events.many)
  const time = async ({ caseStream }: OpenedCase, turn: number): Promise<number> => {
    const start = performance.now()
    await client.send(caseStream, ...pick(turn))
    return performance.now() - start
  }
  const times = { short: [] as number[], long: [] as number[] }
  for (let turn = 0; turn < sized(80, 4); turn++) {
    times.short.push(await time(short, turn))
    times.long.push(await time(long, turn))
  }
  return percentiles(times.long).median / percentiles(times.short).median
}

async function growTo(client: Client, { caseStream }: OpenedCase, count: number): Promise<void> {
  for (let made = 0; made < count; made++) {
    const [kind, body] = pick(made)
    const { status } = await client.send(caseStream, kind, body)
    if (status !== 200) throw new Error(`${kind} was answered ${status}`)
  }
}

/** What is entered day after day. */
function pick(index: number): readonly [EventKindId, object] {
  const kinds = [
    ['reading', reading('calf-girth', 'left', 36 + (index % 5))],
    ['note', { text: `Toes warm, moves them: ${index}` }],
    ['worry', { text: `Look twice: ${index}` }],
    ['task-done', { taskId: 'care', text: 'Wash.', outcome: 'done', reason: '', answers: { washed: 'yes' } }],
  ] as const
  return kinds[index % kinds.length]!
}
