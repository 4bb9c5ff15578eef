import { Agent, request as sendRequest } from 'node:http'
import { connect } from 'node:net'
import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { expect } from 'chai'
import { badRequests, type BadRequest } from '../../harness/cases/bad-requests'
import { isLong } from '../../harness/long'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const count = isLong ? 4_000 : 500
const atOnce = 8
/** Longer than any statement or lock may take: whoever waits so long is forgotten. */
const hangMs = 20_000
/** What a server that forgets nothing it was sent would have grown by many times over. */
const mostGrowthMb = 40

describe(`${count} bad requests over all routes`, () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  const agent = new Agent({ keepAlive: true, maxSockets: atOnce })
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician', 'lead', 'admin'])
    opened = await openCase(ada)
    await ada.send(opened.caseStream, 'reading', reading('ankle-girth', 'left', 26))
  })
  after(async () => {
    agent.destroy()
    await harness.stop()
  })

  /** What was answered; 0 where nobody answered in time. */
  const ask = ({ method, path, headers, body }: BadRequest): Promise<{ readonly status: number; readonly problem: string }> =>
    new Promise((resolve) => {
      const { hostname, port } = new URL(harness.address)
      const sent = sendRequest({ agent, hostname, port, method, path: inAscii(path), headers }, (response) => {
        const status = response.statusCode ?? 0
        const isEndless = String(response.headers['content-type']).startsWith('text/event-stream')
        if (isEndless) response.destroy()
        const parts: Buffer[] = []
        response.on('data', (part: Buffer) => parts.push(part))
        response.on('close', () => resolve({ status, problem: Buffer.concat(parts).toString().slice(0, 400) }))
      })
      sent.setTimeout(hangMs, () => {
        resolve({ status: 0, problem: 'no answer' })
        sent.destroy()
      })
      // A refused body is not read to its end: that the connection goes is an answer too.
      sent.on('error', (error: NodeJS.ErrnoException) => resolve({ status: -1, problem: error.code ?? error.message }))
      sent.end(body ?? undefined)
    })

  it('are each answered, none by a fault of ours, and the server keeps nothing of them', async () => {
    const sessions: { readonly cookie: string; readonly csrf: string }[] = []
    for (const [index, roles] of ([['viewer'], ['trainee'], ['clinician'], ['lead'], ['admin']] as const).entries()) {
      const client = await harness.signIn(`somebody${index}`, roles)
      sessions.push({ cookie: client.cookie, csrf: client.csrf })
    }
    const next = badRequests(20_261_127, { ids: [opened.caseStream.id, opened.episodeStream.id, opened.injuryId], sessions })
    const answers = new Map<number, number>()
    const faults: string[] = []
    const run = async (most: number): Promise<void> => {
      let left = most
      const worker = async (): Promise<void> => {
        while (left-- > 0) {
          const bad = next()
          const { status, problem } = await ask(bad)
          answers.set(status, (answers.get(status) ?? 0) + 1)
          if (status === 0 || status >= 500)
            faults.push(`${status} ${bad.method} ${bad.path.slice(0, 120)} ${String(bad.body).slice(0, 300)}: ${problem}`)
        }
      }
      await Promise.all(Array.from({ length: atOnce }, worker))
    }
    await run(Math.floor(count / 4))
    const early = heapMb()
    await run(count - Math.floor(count / 4))
    const late = heapMb()
    expect(faults.slice(0, 5), `${faults.length} faults`).to.deep.equal([])
    expect(late - early, `heap from ${early} to ${late} MB`).to.be.below(mostGrowthMb)
    // Not all of it was turned away at the door.
    expect([...answers.keys()]).to.include.members([200, 400, 401, 403, 404, 422])
    expect(answers.get(-1) ?? 0, 'connections that went').to.be.below(count / 10)
  }).timeout(isLong ? 600_000 : 240_000)

  it('bytes that are no request at all are let go, and honest ones go on', async () => {
    const { hostname, port } = new URL(harness.address)
    const say = (bytes: string): Promise<string> =>
      new Promise((resolve) => {
        const socket = connect(Number(port), hostname, () => socket.write(bytes))
        let heard = ''
        socket.on('data', (part) => (heard += part.toString()))
        socket.on('close', () => resolve(heard.split('\r\n')[0] ?? ''))
        socket.on('error', () => undefined)
      })
    const nonsense = [
      '\u0000\u0001\u0002\r\n\r\n',
      'GET\r\n\r\n',
      'GET /api/board HTTP/9.9\r\n\r\n',
      `GET /${'a'.repeat(100_000)} HTTP/1.1\r\n\r\n`,
      `GET / HTTP/1.1\r\n${'x: y\r\n'.repeat(5_000)}\r\n`,
    ]
    for (const bytes of nonsense) expect(await say(bytes), bytes.slice(0, 30)).to.match(/^HTTP\/1\.1 4\d\d /)
    expect((await ada.get('/api/board')).status).to.equal(200)
  })

  it('what was there before is there after, and the Board and the papers still come', async () => {
    const { status, body } = await ada.get(`/api/cases/${opened.caseStream.id}`)
    expect(status).to.equal(200)
    expect(JSON.stringify(body)).to.include('ankle-girth')
    expect((await ada.get('/api/board')).status).to.equal(200)
    expect((await ada.get(`/api/cases/${opened.caseStream.id}/papers/case-summary.pdf`)).status).to.equal(200)
  })
})

function inAscii(path: string): string {
  return path.replaceAll(/[^!-~]/gu, (one) => encodeURIComponent(one))
}

/** What is held after everything that nobody needs was let go, MB. */
function heapMb(): number {
  setFlagsFromString('--expose-gc')
  const collect = runInNewContext('gc') as () => void
  collect()
  collect()
  return Math.round(process.memoryUsage().heapUsed / 2 ** 20)
}
