import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { openCase, openClient, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'
import { isLong } from '../../harness/long'
import { startSlowLine, type SlowLine } from '../../harness/browser/slow-line'

describe('a database that stands still', function () {
  this.timeout(120_000)
  let harness: Harness
  let frozen: Harness
  let line: SlowLine
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    const first = await harness.signIn('ada', ['clinician'])
    opened = await openCase(first)
    const url = new URL(process.env['TEST_DATABASE_URL']!)
    line = await startSlowLine(Number(url.port))
    url.port = String(line.port)
    frozen = await startHarness({ keeps: true, url: url.href })
    ada = await openClient(frozen.address, first.personId, 'ada')
  })
  after(async () => {
    line.thaw()
    await frozen.stop()
    await harness.stop()
    await line.close()
  })

  async function timed(ask: Promise<Answer>): Promise<readonly [number, number]> {
    const started = performance.now()
    const { status } = await ask
    return [status, performance.now() - started]
  }

  it('is said within two seconds to whoever watches, within a few to whoever works and listens, and is over when it moves', async () => {
    const heard: string[] = []
    const listening = new AbortController()
    const stream = await fetch(`${frozen.address}/api/stream`, { headers: { cookie: ada.cookie }, signal: listening.signal })
    const reading = (async () => {
      const decoder = new TextDecoder()
      for await (const chunk of stream.body!) heard.push(decoder.decode(chunk as Uint8Array))
    })().catch(() => undefined)
    const id = uuidv7()
    const note = (): Promise<Answer> => ada.sendAs(opened.caseStream, 'note', { text: 'while it stood still' }, { id })
    line.freeze()
    const [ready, health, board, written] = await Promise.all([
      timed(ada.get('/api/ready')),
      timed(ada.get('/api/health')),
      timed(ada.get('/api/board')),
      timed(note()),
    ])
    expect([ready[0], health[0], board[0], written[0]]).to.deep.equal([503, 503, 503, 503])
    expect(ready[1], 'ready').to.be.below(4_000)
    // A page gives up after 15 s.
    expect(board[1], 'board').to.be.below(14_500)
    expect(written[1], 'note').to.be.below(14_500)
    expect(heard.join('')).to.include('event: trouble')
    if (isLong) await new Promise((resolve) => setTimeout(resolve, 40_000))
    line.thaw()
    let isBack = false
    for (const until = performance.now() + 15_000; !isBack && performance.now() < until;)
      isBack = (await ada.get('/api/ready')).status === 200
    expect(isBack, 'ready again').to.equal(true)
    expect((await note()).status).to.equal(200)
    const { body } = await ada.get(`/api/cases/${opened.caseStream.id}`)
    expect((body['record'] as { notes: readonly unknown[] }).notes).to.have.length(1)
    listening.abort()
    await reading
  })
})
