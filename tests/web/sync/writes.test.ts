import { expect } from 'chai'
import { openDB } from 'idb'
import { v7 as uuidv7 } from 'uuid'
import { shippedStations } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { DrillPost, SittingPost } from '#contract/api/practice'
import type { EventInput } from '#contract/event'
import { keysFor } from '../../harness/device-store'
import { loadPage, signInOn, type WebPage } from '../../harness/browser/web-page'

type Durable = Awaited<ReturnType<WebPage['openDurable']>>

/** What the server of these tests was sent, and what it took: the same thing again is known by its id. */
interface FakeServer {
  readonly taken: { readonly path: string; readonly id: string; readonly body: unknown }[]
  /** How the next requests go: the last stays. */
  line: ('fine' | 'cut' | 'answer lost' | 'full')[]
}

const usual = globalThis.fetch

function startServer(): FakeServer {
  const server: FakeServer = { taken: [], line: ['fine'] }
  globalThis.fetch = async (input, init) => {
    const way = server.line.length > 1 ? server.line.shift() : server.line[0]
    await Promise.resolve()
    if (way === 'cut') throw new TypeError('no line')
    const path = input as string
    const body = JSON.parse(init?.body as string) as { readonly id?: string; readonly sealed?: string }
    const id = body.id ?? body.sealed ?? path
    if (path.includes('/sittings/') || !server.taken.some((one) => one.id === id)) server.taken.push({ path, id, body })
    if (way === 'answer lost') throw new TypeError('no line')
    return Response.json({ id, version: server.taken.length, receivedAt: new Date().toISOString() })
  }
  return server
}

const note = (page: WebPage, caseId: string, text: string): EventInput => page.makeEvent({ type: 'case', id: caseId }, 'note', { text }, 0)
const textsOf = (server: FakeServer): readonly string[] =>
  server.taken.filter(({ path }) => path === '/api/events').map(({ body }) => (body as { body: { text: string } }).body.text)

async function until(isSo: () => boolean | Promise<boolean>, what: string): Promise<void> {
  for (let tries = 0; tries < 400; tries++) {
    if (await isSo()) return
    await new Promise((resolve) => setTimeout(resolve, 10))
  }
  throw new Error(`Never: ${what}`)
}

/** A page that is gone tries nothing again. */
function close(page: WebPage): void {
  for (const one of page.useOutbox.getState().pending) page.dismissUndecided(one.id)
}

/** A store whose owner dies at its nth use: what was asked for by then is done, and no answer comes any more. */
function dyingAt(durable: Durable, server: FakeServer, last: number): Durable {
  let used = 0
  return new Proxy(durable, {
    get: (store, name: keyof Durable) =>
      typeof store[name] === 'function'
        ? (...given: never[]) => {
            if (++used > last) return new Promise(() => undefined)
            const done = (store[name] as (...all: never[]) => Promise<unknown>)(...given)
            if (used < last) return done
            server.line = ['cut']
            return done.then(() => new Promise(() => undefined))
          }
        : store[name],
  })
}

describe('what waits to be sent', () => {
  const personId = uuidv7()
  let server: FakeServer
  beforeEach(() => {
    server = startServer()
  })
  afterEach(() => {
    globalThis.fetch = usual
  })
  const begin = async (id = personId): Promise<{ page: WebPage; durable: Durable }> => {
    const page = await loadPage()
    return { page, durable: await signInOn(page, id, await keysFor(id)) }
  }
  const isEmpty = async (durable: Durable): Promise<boolean> =>
    (await durable.readOutbox()).length + (await durable.readPractised('drill')).length + (await durable.readPractised('run')).length === 0
  const drill: DrillPost = { night: 'quiet', seed: '1', moves: [] }
  const station = shippedStations(stationContext)[0]!

  it('goes by itself when the line is back, whatever it is', async () => {
    server.line = ['cut']
    const other = uuidv7()
    const left = await begin(other)
    await left.page.sendEvent(note(left.page, uuidv7(), 'left by somebody else'))
    const { page, durable } = await begin()
    await page.sendSealed(personId)
    close(left.page)
    expect(page.useSealed.getState().count).to.equal(1)
    await page.sendEvent(note(page, uuidv7(), 'mine'))
    await page.sendDrill(drill)
    const run = page.beginRun({ way: 'examined', station, candidates: [{ id: personId, name: 'Ada', role: null }] })
    page.addMark(run, { kind: 'end' })
    void page.moveStock(uuidv7(), 'stock-counted', { lotId: uuidv7(), count: 4 })
    await until(() => page.useOutbox.getState().line === 'offline', 'nobody answers')
    await until(async () => (await durable.readPractised('run')).length === 1, 'the run is kept')
    expect(server.taken).to.deep.equal([])
    server.line = ['fine']
    page.flushOutbox()
    await until(() => isEmpty(durable), 'everything is sent')
    await until(() => page.useSealed.getState().count === 0, 'the sealed one is sent')
    expect(server.taken.map(({ path }) => path.replace(/[0-9a-f-]{36}$/, ':id')).sort()).to.deep.equal([
      '/api/events',
      '/api/events',
      '/api/practice/drills/:id',
      '/api/practice/sittings/:id',
      '/api/sealed-events',
    ])
    const sitting = server.taken.find(({ path }) => path.includes('sittings'))?.body as SittingPost
    expect(
      sitting.marks.map((mark) => mark.what.kind),
      'what was marked while it waited goes with it',
    ).to.deep.equal(['end'])
    expect(page.useOutbox.getState().pending).to.deep.equal([])
  })

  it('is nowhere lost and nowhere twice, wherever the page dies', async () => {
    for (let last = 1; last <= 6; last++) {
      const [id, caseId] = [uuidv7(), uuidv7()]
      server = startServer()
      const dying = await loadPage()
      const store = await signInOn(dying, id, await keysFor(id), (durable) => dyingAt(durable, server, last))
      const kept: string[] = []
      for (const text of ['first', 'second', 'third']) {
        void dying.sendEvent(note(dying, caseId, text)).then(() => kept.push(text))
        await new Promise((resolve) => setTimeout(resolve, 15))
      }
      await new Promise((resolve) => setTimeout(resolve, 60))
      const lies = (await store.readOutbox()).map((input) => (input.body as { text: string }).text)
      close(dying)
      server.line = ['fine']
      const { page, durable } = await begin(id)
      await page.resumeOutbox()
      await until(() => isEmpty(durable), `all is sent after ${last}`)
      const texts = textsOf(server)
      expect(new Set(texts).size, `none twice after ${last}`).to.equal(texts.length)
      expect(texts, `nothing that was kept is lost after ${last}`).to.include.members([...kept, ...lies])
      expect([...texts], `in order after ${last}`).to.deep.equal(['first', 'second', 'third'].filter((text) => texts.includes(text)))
    }
  })

  it('goes once where only the answer was lost', async () => {
    server.line = ['answer lost', 'fine']
    const { page, durable } = await begin()
    await page.sendEvent(note(page, uuidv7(), 'once'))
    await until(() => page.useOutbox.getState().line === 'offline', 'the answer is missed')
    page.flushOutbox()
    await until(() => isEmpty(durable), 'it is known to be there')
    expect(textsOf(server)).to.deep.equal(['once'])
  })

  it('goes once from two pages that both find it', async () => {
    server.line = ['cut']
    const first = await begin()
    await first.page.sendEvent(note(first.page, uuidv7(), 'one'))
    const second = await begin()
    await second.page.resumeOutbox()
    server.line = ['fine']
    first.page.flushOutbox()
    second.page.flushOutbox()
    await until(() => isEmpty(second.durable), 'it is sent')
    await until(() => [first, second].every(({ page }) => page.useOutbox.getState().pending.length === 0), 'both know')
    expect(textsOf(server)).to.deep.equal(['one'])
  })

  it('goes from a device whose store is full, which says so', async () => {
    const page = await loadPage()
    await signInOn(page, personId, await keysFor(personId))
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError')
    }
    try {
      await page.sendEvent(note(page, uuidv7(), 'all the same'))
      await page.sendDrill(drill)
      expect(page.useKeeping.getState().state).to.equal('full')
      await until(() => server.taken.length === 2, 'both are sent')
    } finally {
      IDBObjectStore.prototype.put = put
    }
    await page.sendEvent(note(page, uuidv7(), 'room again'))
    await until(() => page.useKeeping.getState().state === 'all', 'it keeps again')
  })

  describe('left by another version of the application', () => {
    const keptCase = {
      record: { id: uuidv7() },
      version: 1,
      episode: { id: uuidv7(), place: 'Bay 3', patient: { name: 'Wenna Strood' } },
      episodeVersion: 1,
      contains: [],
      now: '2026-01-10T08:00:00Z',
    } as unknown as Parameters<Durable['writeCase']>[0]
    const left = async () => {
      const id = uuidv7()
      server.line = ['cut']
      const former = await begin(id)
      await former.page.sendEvent(note(former.page, uuidv7(), 'toes warm'))
      await former.page.sendDrill(drill)
      await former.durable.writeDraft('case/1/reading', '38.5')
      await former.durable.writeCase(keptCase)
      await former.durable.writeAnswer('/api/board', { rows: ['old'] } as object)
      await until(async () => (await former.durable.readPractised('drill')).length === 1, 'both are kept')
      close(former.page)
      await former.durable.addToOutbox(note(former.page, keptCase.record.id, 'toes cold'))
      const db = await openDB(`zesty-wren-kept-${id}`, 1)
      for (const store of ['outbox', 'answers', 'cases'])
        for (const key of await db.getAllKeys(store)) await db.put(store, { ...(await db.get(store, key)), schemas: 'another' }, key)
      db.close()
      server.line = ['fine']
      return { id, ...(await begin(id)) }
    }

    it('is shown whole and never sent; what was typed stays, what the server said is no answer any more', async () => {
      const { page, durable } = await left()
      await page.resumeOutbox()
      await page.resumeDrills()
      const { undecided, pending } = page.useOutbox.getState()
      expect(undecided.map((one) => [one.kind, one.event.kind])).to.deep.equal([
        ['of-other-version', 'night-of-practice'],
        ['of-other-version', 'note'],
      ])
      expect(undecided[1]?.event.body).to.deep.equal({ text: 'toes cold' })
      expect(undecided[1], 'whose it is').to.include({ whose: 'Wenna Strood, Bay 3' })
      expect(await durable.readCase(keptCase.record.id)).to.equal(undefined)
      expect([pending.length, server.taken.length]).to.deep.equal([0, 0])
      expect(await durable.readDraft('case/1/reading')).to.equal('38.5')
      expect(await durable.readAnswer('/api/board')).to.equal(undefined)
    })

    it('stays until somebody has written it down; what is closed for the server is counted and not sent in their name', async () => {
      const { id, page, durable } = await left()
      await page.resumeOutbox()
      for (const { event } of page.useOutbox.getState().undecided) page.postponeLeft(event.id)
      expect(page.useOutbox.getState().undecided).to.deep.equal([])
      await page.resumeOutbox()
      const again = page.useOutbox.getState().undecided
      expect(again).to.have.length(2)
      await page.sendSealed(id)
      const closed = async (): Promise<number> => {
        const shared = await openDB('zesty-wren-shared')
        const own = (await shared.getAll('sealed')).filter((one: { readonly personId: string }) => one.personId === id)
        shared.close()
        return own.length
      }
      expect(await closed(), 'the closed one beside it').to.equal(1)
      for (const { event } of again) page.dismissUndecided(event.id)
      await until(async () => (await durable.readLeftByOthers()).length === 0, 'it is let go')
      await until(async () => (await closed()) === 0, 'the closed one goes with it')
      expect(await durable.readOutbox()).to.deep.equal([])
    })
  })
})
