import { expect } from 'chai'
import type { BoardAnswer } from '#contract/api/board'
import { defaultSetup } from '#contract/records/case'
import { openCase, request, startHarness, type Client, type Harness } from '../../harness/server-harness'

/** One open stream of hints, read as it comes. */
interface Listener {
  readonly heard: () => string
  /** Resolves once the text was heard. */
  hear(wanted: string | RegExp): Promise<void>
  /** Resolves once the server has ended it. */
  ended(): Promise<void>
  close(): void
}

describe('the live stream', () => {
  let harness: Harness
  let ada: Client
  before(async () => {
    // Nobody listens at this address: the pager is away from the first look on.
    harness = await startHarness({ pager: { address: 'http://127.0.0.1:1', secret: 'a secret of the tests' } })
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  const signIn = async (): Promise<{ cookie: string; csrf: string }> => {
    const answer = await request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'ada', password: 'a test password' }),
    })
    return { cookie: (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '', csrf: String(answer.body['csrf']) }
  }
  const listen = async (cookie: string, lastEventId?: string, address = harness.address): Promise<Listener> => {
    const abort = new AbortController()
    const headers = { cookie, ...(lastEventId === undefined ? {} : { 'last-event-id': lastEventId }) }
    const answer = await fetch(`${address}/api/stream`, { headers, signal: abort.signal })
    expect(answer.status).to.equal(200)
    const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader()
    let text = ''
    let isOver = false
    const read = async (): Promise<void> => {
      const chunk = await reader?.read()
      if (!chunk || chunk.done) isOver = true
      else text += chunk.value
    }
    return {
      heard: () => text,
      async hear(wanted) {
        while (!(typeof wanted === 'string' ? text.includes(wanted) : wanted.test(text)) && !isOver) await read()
        expect(text).to.match(typeof wanted === 'string' ? new RegExp(wanted.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')) : wanted)
      },
      async ended() {
        while (!isOver) await read()
      },
      close: () => abort.abort(),
    }
  }
  const hintsFor = (text: string, id: string): number => text.split('\n').filter((line) => line.includes(id)).length
  const lastId = (text: string): string => [...text.matchAll(/^id: (\S+)$/gm)].at(-1)?.[1] ?? ''

  it('tells at once when the pager is away', async () => {
    const { cookie } = await signIn()
    const listener = await listen(cookie)
    await listener.hear('event: ready')
    expect(listener.heard()).not.to.include('event: pager')
    await harness.pager.tick()
    await listener.hear('event: pager')
    listener.close()
  }).timeout(15_000)

  it('tells who comes back what changed meanwhile, each stream once', async () => {
    const { cookie } = await signIn()
    const opened = await openCase(ada)
    const first = await listen(cookie)
    await first.hear('event: ready')
    expect(hintsFor(first.heard(), opened.caseStream.id), 'what was there before is no news').to.equal(0)
    const cursor = lastId(first.heard())
    first.close()

    harness.now += 20 * 60_000
    for (const text of ['one', 'two', 'three']) await ada.send(opened.caseStream, 'note', { text })
    harness.now += 10 * 60_000
    const again = await listen(cookie, cursor)
    await again.hear('event: ready')
    expect(hintsFor(again.heard(), opened.caseStream.id)).to.equal(1)
    expect(again.heard()).to.include(`"id":"${opened.caseStream.id}"},"version":4`)
    again.close()
  })

  for (const cursor of ['nonsense', '-1', '9'.repeat(40), '']) {
    it(`takes a cursor that is ${cursor || 'empty'} for none`, async () => {
      const { cookie } = await signIn()
      const listener = await listen(cookie, cursor)
      await listener.hear('event: ready')
      listener.close()
    })
  }

  it('tells who was away for hours to read everything anew', async () => {
    const { cookie } = await signIn()
    const listener = await listen(cookie, String(harness.now - 3 * 3_600_000))
    await listener.hear('event: reread')
    listener.close()
  })

  it('tells at either of two servers what both keep, whichever clock is slow', async () => {
    const second = await startHarness({ keeps: true })
    try {
      second.now = harness.now - 45_000
      const ben = await second.signIn('ben', ['clinician'])
      const { cookie } = await signIn()
      const [first, other] = [await listen(cookie), await listen(ben.cookie, undefined, second.address)]
      for (const one of [first, other]) await one.hear('event: ready')
      const [byAda, byBen] = [await openCase(ada), await openCase(ben)]
      for (const one of [first, other]) for (const { caseStream } of [byAda, byBen]) await one.hear(caseStream.id)
      // Ada writes to what Ben opened: both hear of its next version, and both Boards say what planning made of it.
      await ben.send(byBen.caseStream, 'note', { text: 'seen' })
      const hot = await ada.send(byBen.caseStream, 'setup', { ...defaultSetup, waterC: 60 }, 2)
      expect(hot.status, JSON.stringify(hot.body)).to.equal(200)
      for (const one of [first, other]) await one.hear(new RegExp(`"id":"${byBen.caseStream.id}"[^\\n]*"version":3`))
      for (const client of [ada, ben]) {
        const { rows } = (await client.get('/api/board')).body as unknown as BoardAnswer
        expect(rows.find((row) => row.caseId === byBen.caseStream.id)?.level).to.equal('stop')
      }
      for (const one of [first, other]) one.close()
    } finally {
      await second.stop()
    }
  }).timeout(20_000)

  it('ends with its session', async () => {
    const { cookie, csrf } = await signIn()
    const listener = await listen(cookie)
    await listener.hear('event: ready')
    await request(harness.address, '/api/session', { method: 'DELETE', headers: { cookie, 'x-csrf-token': csrf } })
    await listener.hear('event: over')
    await listener.ended()
    expect((await fetch(`${harness.address}/api/stream`, { headers: { cookie } })).status).to.equal(401)
  })

  it('ends when its session has run out, and is no reason for it to go on', async () => {
    const { cookie } = await signIn()
    const listener = await listen(cookie)
    await listener.hear('event: ready')
    harness.now += 13 * 3_600_000
    await listener.hear('event: over')
    await listener.ended()
  })
})
