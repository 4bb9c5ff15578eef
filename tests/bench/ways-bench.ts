import type { BoardRow } from '#contract/api/board'
import { defaultSetup } from '#contract/records/case'
import { startLiveServer } from '../harness/live-server'
import { openCase, openClient, reading, type Client, type OpenedCase } from '../harness/server-harness'
import { percentiles, type Figure } from './figure'
import { sized } from './size'

const readingsTaken = sized(80, 4)
const levelsSeen = sized(24, 2)
const casesAtOnce = sized(50, 3)
const writesEach = sized(8, 2)
/** Plaster at this water is a stop; at the other one it is none. */
const [hotC, usualC] = [60, 22]

/** The ways between rooms: how soon a reading is acknowledged, and how soon another browser's Board shows its last level. */
export async function benchWays(): Promise<readonly Figure[]> {
  const live = await startLiveServer()
  const maren = await openClient(live.address, '', 'maren', live.password)
  const opened = await openCase(maren)
  const cold = await timeOfReading(maren, opened)
  const quiet = await repeat(readingsTaken, () => timeOfReading(maren, opened))
  const levels = await watchLevels(live.address, maren, await openClient(live.address, '', 'isolde', live.password))
  const spread = await writeToMany(maren)
  return [
    { name: 'acknowledgement of the first reading of a server', value: cold, unit: 'ms', limit: 40 },
    { name: 'acknowledgement of a reading, median', value: percentiles(quiet).median, unit: 'ms', limit: 15 },
    { name: 'acknowledgement of a reading, 95th percentile', value: percentiles(quiet).p95, unit: 'ms', limit: 40 },
    { name: 'a stop on another browser’s Board, 95th percentile', value: percentiles(levels).p95, unit: 'ms', limit: 1000 },
    { name: `write while ${casesAtOnce} write to ${casesAtOnce} cases, median`, value: percentiles(spread).median, unit: 'ms', limit: 60 },
  ]
}

async function timeOfReading(client: Client, { caseStream }: OpenedCase): Promise<number> {
  return timeOf(() => client.send(caseStream, 'reading', reading('calf-girth', 'left', 36 + Math.random() * 3)))
}

async function timeOf(work: () => Promise<{ readonly status: number }>): Promise<number> {
  const start = performance.now()
  const { status } = await work()
  if (status !== 200) throw new Error(`answered ${status}`)
  return performance.now() - start
}

async function repeat(count: number, work: () => Promise<number>): Promise<number[]> {
  const times: number[] = []
  for (let done = 0; done < count; done++) times.push(await work())
  return times
}

/** Water that is too hot, and right again: how long until a Board that reads at each hint, and every half minute, has the level. */
async function watchLevels(address: string, writer: Client, watcher: Client): Promise<number[]> {
  const opened = await openCase(writer)
  const stream = await fetch(`${address}/api/stream`, { headers: { cookie: watcher.cookie } })
  const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader()
  let hints = 0
  const hearing = (async () => {
    for (;;) {
      const { value, done } = await reader.read().catch(() => ({ value: undefined, done: true }))
      if (done) return
      if (value?.includes('"stream"')) hints++
    }
  })()
  const level = async (): Promise<BoardRow['level'] | undefined> =>
    ((await watcher.get('/api/board')).body['rows'] as BoardRow[]).find((row) => row.caseId === opened.caseStream.id)?.level
  const times: number[] = []
  for (let turn = 0; turn < levelsSeen; turn++) {
    const isHot = turn % 2 === 0
    const setup = { ...defaultSetup, waterC: isHot ? hotC : usualC }
    const { body } = await writer.get(`/api/cases/${opened.caseStream.id}`)
    const start = performance.now()
    let seenHints = hints
    const answer = await writer.send(opened.caseStream, 'setup', setup, Number(body['version']))
    if (answer.status !== 200) throw new Error(`answered ${answer.status}`)
    let readAt = performance.now()
    for (let isSeen = false; !isSeen;) {
      if (hints > seenHints || performance.now() - readAt > 30_000) {
        seenHints = hints
        readAt = performance.now()
        isSeen = ((await level()) === 'stop') === isHot
      } else await new Promise((resolve) => setTimeout(resolve, 5))
    }
    times.push(performance.now() - start)
    await new Promise((resolve) => setTimeout(resolve, 300))
  }
  await reader.cancel()
  await hearing
  return times
}

async function writeToMany(client: Client): Promise<number[]> {
  const cases: OpenedCase[] = []
  for (let made = 0; made < casesAtOnce; made++) cases.push(await openCase(client))
  const all = await Promise.all(cases.map((one) => repeat(writesEach, () => timeOfReading(client, one))))
  return all.flat()
}
