import { readFile } from 'node:fs/promises'
import { Agent, get } from 'node:http'
import { isSmallest } from './size'
import { openCase, reading, type Client, type OpenedCase } from '../harness/server-harness'

/** One entry of a person in so many seconds, and one look at the Board in five of them. */
const thinkS = 4

/** What a ward at work measured. */
export interface WorkTimes {
  /** Milliseconds until each entry was acknowledged. */
  readonly writes: readonly number[]
  readonly boards: readonly number[]
  /** Milliseconds from sending an entry until each listening page was told of it. */
  readonly heard: readonly number[]
}

/**
 * Everybody enters something every four seconds, and looks at the Board one time in five.
 * @param seconds how long
 * @param pages listening meanwhile; what they hear of is timed
 * @param meanwhile called once the first tenth is over, when each has a case and all is warm
 * @throws Error where an entry was not taken
 */
export async function workTogether(
  clients: readonly Client[],
  seconds: number,
  pages: ListeningPages,
  meanwhile: (cases: readonly OpenedCase[]) => Promise<void> = () => Promise.resolve(),
): Promise<WorkTimes> {
  const [writes, boards]: [number[], number[]] = [[], []]
  let refused = 0
  // The night began hours ago: nobody opens two hundred cases at once.
  const cases: OpenedCase[] = []
  for (const client of clients) cases.push(await openCase(client))
  const until = performance.now() + seconds * 1_000
  const timed = async (times: number[], work: () => Promise<{ readonly status: number }>): Promise<void> => {
    const start = performance.now()
    const { status } = await work()
    times.push(performance.now() - start)
    if (status !== 200) refused++
  }
  const beside = rest(seconds * 100).then(() => meanwhile(cases))
  await Promise.all(
    clients.map(async (client, index) => {
      // Not all in the same moment: people are not.
      await rest((thinkS * 1_000 * index) / clients.length)
      const { caseStream } = cases[index]!
      for (let done = 0; performance.now() < until; done++) {
        const start = performance.now()
        if (done % 5 === 4) await timed(boards, () => client.get('/api/board'))
        else {
          pages.sending(caseStream.id)
          await timed(writes, () => client.send(caseStream, 'reading', reading('calf-girth', 'left', 36 + (done % 5))))
        }
        await rest(thinkS * 1_000 - (performance.now() - start))
      }
    }),
  )
  await beside
  // Beside the whole suite a server may say that it is busy: the least size shows only that the part runs through.
  if (refused > 0 && !isSmallest) throw new Error(`${refused} requests were not answered well`)
  return { writes, boards, heard: pages.heard() }
}

/** Streams that are read, as pages do. */
export interface ListeningPages {
  /** An entry to this case is on its way from now on. */
  sending(caseId: string): void
  /** Milliseconds until each page heard of each entry. */
  heard(): readonly number[]
  stop(): void
}

/** Opens so many streams, shared out among the people. */
export function listenAs(address: string, clients: readonly Client[], count: number): ListeningPages {
  const agent = new Agent({ keepAlive: false, maxSockets: count })
  const sentAt = new Map<string, number>()
  const heard: number[] = []
  const opened = Array.from({ length: count }, (_, index) => {
    const options = { agent, headers: { cookie: clients[index % clients.length]!.cookie } }
    const request = get(`${address}/api/stream`, options, (response) => {
      const told = new Set<number>()
      response.setEncoding('utf8').on('data', (text: string) => {
        for (const [, id] of text.matchAll(/"type":"case","id":"([^"]+)"/g)) {
          const at = sentAt.get(id ?? '')
          if (at === undefined || told.has(at)) continue
          told.add(at)
          heard.push(performance.now() - at)
        }
      })
    })
    request.on('error', () => undefined)
    return request
  })
  return {
    sending: (caseId) => void sentAt.set(caseId, performance.now()),
    heard: () => heard,
    stop: () => opened.forEach((one) => one.destroy()),
  }
}

/** Memory of a process, in megabytes that are really in use. */
export async function residentMb(pid: number): Promise<number> {
  const status = await readFile(`/proc/${pid}/status`, 'utf8')
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? NaN) / 1024)
}

/** Resolves after so many milliseconds. */
export function rest(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)))
}
