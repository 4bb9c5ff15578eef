import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { pino } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import { createAnchorKeeper } from '../../../src/server/jobs/anchor-keeper'
import { createClockCheck, type ClockCheck } from '../../../src/server/jobs/clock-check'
import { createServers } from '../../../src/server/repositories/servers'
import { keptAnchors } from '../../../src/server/services/day-anchor'
import { request, startHarness, type Answer, type Harness } from '../../harness/server-harness'

const second = 1_000
const day = 86_400_000

describe('clocks of servers against the database’s', () => {
  let harness: Harness
  let said: { level: number; msg: string }[]
  let clocks: ClockCheck[]
  beforeEach(async () => {
    said = []
    clocks = []
    harness = await startHarness({
      app: {
        clocks: {
          get state() {
            return clocks[0]?.state ?? { offsetMs: null, isRefused: false }
          },
          caughtUp: () => clocks[0]?.caughtUp() ?? Promise.resolve(),
        },
      },
    })
  })
  afterEach(() => harness.stop())

  /** A server whose clock is so far off. */
  async function server(offMs: number): Promise<ClockCheck> {
    const log = pino({ level: 'warn' }, { write: (line: string) => void said.push(JSON.parse(line) as (typeof said)[number]) })
    const made = createClockCheck({
      servers: createServers(harness.db),
      clock: () => Date.now() + offMs,
      log,
      self: { id: uuidv7(), host: `server ${clocks.length}` },
    })
    clocks.push(made)
    await made.tick()
    return made
  }
  const ready = async (): Promise<number> => (await request(harness.address, '/api/ready')).status
  /** As a server that was told of another one since. */
  const again = async (): Promise<void> => {
    for (const one of clocks) await one.tick()
  }

  it('one that agrees says nothing, serves and seals', async () => {
    const one = await server(0)
    expect(Math.abs(one.state.offsetMs ?? 9_999)).to.be.below(second)
    expect([one.isTrusted(), await ready(), said]).to.deep.equal([true, 200, []])
  })

  for (const [name, offMs] of [
    ['3 s', 3 * second],
    ['-3 s', -3 * second],
    ['45 s', 45 * second],
    ['a day', -day],
  ] as const) {
    it(`one that is off by ${name} beside none says so, seals no day, and serves`, async () => {
      const one = await server(offMs)
      await again()
      expect(Math.abs((one.state.offsetMs ?? 0) - offMs)).to.be.below(second)
      expect([one.isTrusted(), await ready()]).to.deep.equal([false, 200])
      expect(said.map((line) => line.level)).to.deep.equal([40])
      expect(said[0]?.msg).to.include('set it by a time server')
      expect(Math.abs(one.databaseNow() - Date.now()), 'the database’s time is known all the same').to.be.below(second)
    })
  }

  it('one that is off by 45 s beside one that agrees serves nobody until it is set', async () => {
    await server(45 * second)
    await server(0)
    await again()
    expect(await ready()).to.equal(503)
    const { body } = await request(harness.address, '/api/ready')
    expect(body['detail']).to.include('clock')
    expect(clocks.map((clock) => clock.state.isRefused)).to.deep.equal([true, false])
    expect(((await request(harness.address, '/api/health')).body as { clockOffsetMs: number }).clockOffsetMs).to.be.within(44_000, 46_000)
  })

  it('while another one agrees it answers nobody, whatever is asked; alone it serves, and each answer says by how much it is off', async () => {
    const ask = (path: string): Promise<Answer> => request(harness.address, path)
    const wrong = await server(-3_600 * second)
    const alone = await ask('/api/session')
    expect(alone.status).to.equal(200)
    expect(Number(alone.headers.get('x-wren-clock-off'))).to.be.within(-3_601_000, -3_599_000)
    expect((await ask('/api/health')).body['clock']).to.equal('differs, serves')
    const right = await server(0)
    await wrong.tick()
    for (const path of ['/api/session', '/api/board', '/api/store']) {
      const refused = await ask(path)
      expect([refused.status, refused.headers.get('retry-after')], path).to.deep.equal([503, '5'])
    }
    expect((await ask('/api/live')).status).to.equal(200)
    expect((await ask('/api/health')).body['clock']).to.equal('differs, serves nobody')
    await right.leave()
    await wrong.tick()
    expect((await ask('/api/session')).status).to.equal(200)
  })

  /** A server whose clock and whose running time the test sets. */
  function handSet(): { readonly check: ClockCheck; readonly hand: { wallMs: number; ranMs: number } } {
    const hand = { wallMs: 0, ranMs: 1_000 }
    const check = createClockCheck({
      servers: createServers(harness.db),
      clock: () => Date.now() + hand.wallMs,
      monotonic: () => performance.now() + hand.ranMs,
      log: pino({ level: 'silent' }),
      self: { id: uuidv7(), host: 'by hand' },
    })
    return { check, hand }
  }

  for (const hours of [1, -1, 24, -24])
    it(`a clock that jumps by ${hours} h moves no stamp: the last agreed time is carried on`, async () => {
      const { check, hand } = handSet()
      await check.tick()
      const before = check.now()
      hand.wallMs = hours * 3_600 * second
      expect(check.now() - before).to.be.within(0, second)
      await check.tick()
      expect(check.now() - before, 'after it was compared').to.be.within(0, 2 * second)
      expect(check.isTrusted()).to.equal(false)
      hand.ranMs += 10 * 60 * second
      expect(check.now() - before, 'ten minutes on').to.be.within(600 * second, 602 * second)
      hand.wallMs = 0
      await check.tick()
      expect(check.isTrusted()).to.equal(true)
      expect(check.now(), 'never backward').to.be.at.least(before + 600 * second)
    })

  it('one that never agreed stamps by its own clock, and never into a day that is sealed', async () => {
    const { check, hand } = handSet()
    hand.wallMs = -day
    await check.tick()
    expect(check.now()).to.be.within(Date.now() - day - second, Date.now() - day + second)
    const keeper = createAnchorKeeper({
      db: harness.db,
      clock: () => Date.now(),
      isTrusted: () => true,
      log: pino({ level: 'silent' }),
      file: null,
    })
    await keeper.tick()
    const [sealed] = await keptAnchors(harness.db)
    await check.tick()
    expect(check.now()).to.equal(Date.parse(`${sealed?.day}T00:00:00.000Z`))
  })

  it('one that stood still for a minute compares before its first answer, and answers nobody where it is wrong then', async () => {
    const { check, hand } = handSet()
    clocks.push(check)
    await check.tick()
    await server(0)
    const ask = (): Promise<Answer> => request(harness.address, '/api/session')
    expect((await ask()).status).to.equal(200)
    hand.wallMs = 3_600 * second
    expect((await ask()).status, 'its clock jumped, as where the machine slept').to.equal(503)
    hand.wallMs = 0
    expect((await ask()).status).to.equal(200)
    hand.wallMs = 60 * second
    hand.ranMs += 60 * second
    expect((await ask()).status, 'it stood still, and its clock went on').to.equal(503)
    hand.wallMs = 0
    hand.ranMs += 60 * second
    expect((await ask()).status).to.equal(200)
  })

  it('all of them off alike serve: it is the database that is wrong', async () => {
    await server(45 * second)
    await server(45 * second)
    await again()
    expect(await ready()).to.equal(200)
    expect(clocks.map((clock) => clock.state.isRefused)).to.deep.equal([false, false])
  })

  it('a server that goes is not counted any more', async () => {
    const gone = await server(0)
    await gone.leave()
    expect(await createServers(harness.db).heardWithin(60)).to.deep.equal([])
  })

  it('no day is sealed by a clock that does not agree; the file outside is caught up all the same', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'wren-clocks-'))
    const file = join(folder, 'anchors')
    const wrong = await server(-day)
    const keeper = (check: ClockCheck) =>
      createAnchorKeeper({ db: harness.db, clock: check.databaseNow, isTrusted: check.isTrusted, log: pino({ level: 'silent' }), file })
    await keeper(wrong).tick()
    expect(await keptAnchors(harness.db)).to.deep.equal([])
    await keeper(await server(0)).tick()
    const today = new Date(Date.now() - 5 * 60_000).toISOString().slice(0, 10)
    expect((await keptAnchors(harness.db)).map((anchor) => anchor.day)).to.deep.equal([today])
    await rm(file)
    await keeper(wrong).tick()
    expect(await readFile(file, 'utf8')).to.include(today)
    await rm(folder, { recursive: true })
  })
})
