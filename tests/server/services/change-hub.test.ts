import { expect } from 'chai'
import type { Change } from '../../../src/server/repositories/changes'
import { createChangeHub, lateMs, mostHints, type ChangeHub } from '../../../src/server/services/change-hub'

/** A table of changes whose lines come into sight when a test says so, whatever their numbers. */
function fakeChanges() {
  const state = { lineage: '11111111-1111-4111-8111-111111111111', swept: 0, lines: [] as Change[] }
  return {
    state,
    /** A line commits. */
    commit: (seq: number, id = `case-${seq}`, version = 1) => void state.lines.push({ seq, type: 'case', id, version }),
    head: async () => ({
      lineage: state.lineage,
      swept: state.swept,
      greatest: Math.max(state.swept, ...state.lines.map((line) => line.seq), 0),
    }),
    after: async (seq: number, most: number) =>
      state.lines
        .filter((line) => line.seq > seq)
        .sort((a, b) => a.seq - b.seq)
        .slice(0, most),
  }
}

describe('the hub of changes', () => {
  let changes: ReturnType<typeof fakeChanges>
  let hub: ChangeHub
  let heard: string[]
  let nowMs: number
  let stop: () => void
  const open = async (): Promise<void> => {
    stop = hub.listen({ sessionId: 's', hear: (text) => void heard.push(text), end: () => undefined })
    await hub.ready()
  }
  beforeEach(() => {
    changes = fakeChanges()
    heard = []
    nowMs = 1_000_000
    hub = createChangeHub({ changes, signIn: { openOf: async () => new Set(['s']) }, pager: () => null, steadyMs: () => nowMs })
  })
  afterEach(() => stop())

  /** What listeners hear of one look. */
  const look = async (laterMs = 600): Promise<string> => {
    nowMs += laterMs
    heard = []
    await hub.look()
    return heard.join('')
  }
  const idsIn = (text: string): readonly string[] => [...text.matchAll(/"id":"([^"]+)"/g)].map((match) => match[1] ?? '')

  it('tells what came since it began, once', async () => {
    changes.commit(1)
    await open()
    changes.commit(2)
    expect(idsIn(await look())).to.deep.equal(['case-2'])
    expect(idsIn(await look())).to.deep.equal([])
  })

  it('tells of a lower number that commits late, also one from before it began', async () => {
    changes.commit(1)
    changes.commit(4)
    await open()
    changes.commit(6)
    expect(idsIn(await look())).to.deep.equal(['case-6'])
    changes.commit(3)
    changes.commit(5)
    expect(idsIn(await look(lateMs / 2))).to.deep.equal(['case-3', 'case-5'])
    expect(idsIn(await look())).to.deep.equal([])
  })

  it('does not read for ever what is too old to come late, and tells everything that is new', async () => {
    await open()
    for (let seq = 1; seq <= 40; seq++) {
      changes.commit(seq)
      expect(idsIn(await look(5_000)), `number ${seq}`).to.deep.equal([`case-${seq}`])
    }
    const low = Number(hub.cursor().split('/')[1])
    expect(low).to.be.within(30, 39)
    // The lines below it may be swept by now.
    changes.state.lines = changes.state.lines.filter((line) => line.seq > low)
    changes.commit(41)
    expect(idsIn(await look())).to.deep.equal(['case-41'])
  })

  it('tells each stream once, at its newest, and to read everything anew where they are many', async () => {
    await open()
    changes.commit(1, 'a', 1)
    changes.commit(2, 'a', 3)
    changes.commit(3, 'a', 2)
    const text = await look()
    expect(idsIn(text)).to.deep.equal(['a'])
    expect(text).to.include('"version":3')
    for (let seq = 10; seq <= 10 + mostHints; seq++) changes.commit(seq)
    expect(await look())
      .to.include('event: reread')
      .and.not.to.include('"stream"')
  })

  it('tells of a Board row that was saved anew without an event: the same version again', async () => {
    await open()
    changes.commit(1, 'a', 7)
    await look()
    changes.commit(2, 'a', 7)
    expect(idsIn(await look())).to.deep.equal(['a'])
  })

  it('says to read everything anew where another database, or an older one, stands in its place', async () => {
    for (let seq = 1; seq <= 9; seq++) changes.commit(seq)
    await open()
    await look(lateMs + 1)
    await look(lateMs + 1)
    changes.state.lines = changes.state.lines.filter((line) => line.seq <= 3)
    expect(await look()).to.include('event: reread')
    changes.commit(4)
    expect(idsIn(await look())).to.deep.equal(['case-4'])
    changes.state.lineage = '22222222-2222-4222-8222-222222222222'
    expect(await look()).to.include('event: reread')
    expect(hub.cursor()).to.match(/^22222222/)
  })

  it('says so where the database is away, and goes on where it was', async () => {
    await open()
    const { head } = changes
    changes.head = () => Promise.reject(new Error('away'))
    expect(await look()).to.include('event: trouble')
    expect(await look(), 'it is said once').to.equal('')
    changes.head = head
    changes.commit(1)
    const after = await look()
    expect(idsIn(after)).to.deep.equal(['case-1'])
    expect(after, 'that it is over is said').to.include('event: beat')
    expect(await look()).to.equal('')
  })
})
