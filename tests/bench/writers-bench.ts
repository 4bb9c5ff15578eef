import { v7 as uuidv7 } from 'uuid'
import { startLiveServer } from '../harness/live-server'
import { openCase, openClient, reading, type Client, type OpenedCase } from '../harness/server-harness'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

const writers = sized(50, 3)
const writesEach = sized(8, 2)

/** What people wait for while others write, and while a lead imports the stock of a place. */
export async function benchWriters(): Promise<readonly Figure[]> {
  const live = await startLiveServer()
  const ada = await openClient(live.address, '', 'maren', live.password)
  const opened = await openCase(ada)
  const quiet = await timesOf(sized(60, 15), () => ada.get('/api/board'))
  const { writes, board } = await writeTogether(ada, opened)
  const longest = await importWhileOthersWork(ada, opened)
  const boardQuiet = percentiles(quiet.slice(10)).p95
  return [
    { name: `write while ${writers} write to one case, median`, value: percentiles(writes).median, unit: 'ms', limit: 300 },
    { name: 'Board while they write, 95th percentile against quiet', value: percentiles(board).p95 / boardQuiet, unit: '×', limit: 2 },
    { name: 'longest wait of others while 2 MB of CSV are imported', value: longest, unit: 'ms', limit: 200 },
  ]
}

async function writeTogether(client: Client, { caseStream }: OpenedCase): Promise<{ writes: number[]; board: number[] }> {
  let isDone = false
  const board: number[] = []
  const watching = (async () => {
    while (!isDone) board.push(...(await timesOf(1, () => client.get('/api/board'))))
  })()
  const writes = await Promise.all(
    Array.from({ length: writers }, () => timesOf(writesEach, () => client.send(caseStream, 'reading', reading('calf-girth', 'left', 38)))),
  )
  isDone = true
  await watching
  return { writes: writes.flat(), board }
}

async function importWhileOthersWork(client: Client, { caseStream }: OpenedCase): Promise<number> {
  const place = { type: 'place', id: uuidv7() } as const
  await client.send(place, 'place-opened', { name: `Bench ${place.id}`, kind: 'ward' })
  const rows = Array.from(
    { length: sized(45_000, 50) },
    (_, index) => `plaster-slab/15,LOT-${String(index).padStart(8, '0')},2028-01-01,${index % 90}`,
  )
  const text = ['item_code,lot,expires_on,count', ...rows].join('\n')
  let isDone = false
  let longest = 0
  const others = [() => client.get('/api/board'), () => client.send(caseStream, 'note', { text: 'working on' })].map(async (work) => {
    while (!isDone) longest = Math.max(longest, ...(await timesOf(1, work)))
  })
  const answer = await client.sendRaw(`/api/store/${place.id}/stock.csv`, text, 'text/csv')
  isDone = true
  await Promise.all(others)
  if (answer.status !== 200) throw new Error(`the import was not taken: ${JSON.stringify(answer.body).slice(0, 200)}`)
  return longest
}

async function timesOf(count: number, work: () => Promise<{ readonly status: number }>): Promise<number[]> {
  const times: number[] = []
  for (let done = 0; done < count; done++) {
    const start = performance.now()
    const { status } = await work()
    times.push(performance.now() - start)
    if (status !== 200) throw new Error(`answered ${status}`)
  }
  return times
}
