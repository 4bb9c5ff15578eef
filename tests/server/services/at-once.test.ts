import { isLong } from '../../harness/long'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { BoardRow } from '#contract/api/board'
import { bothLegs } from '../../../src/server/demo/findings'
import { inTransaction } from '../../../src/server/db/in-transaction'
import { defineModels } from '../../../src/server/db/models'
import { createLog } from '../../../src/server/ground/once-a-minute'
import { createStreamRepository } from '../../../src/server/repositories/streams'
import { createBoardMender } from '../../../src/server/services/mend-board'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/** Many people at the same moment: nobody gets an error, nothing is lost, no Board line is derived from what was read too early. */
describe('at the same moment', () => {
  let harness: Harness
  let client: Client
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  const boardOf = async (opened: OpenedCase): Promise<BoardRow | undefined> => {
    const { rows } = (await client.get('/api/board')).body as unknown as { rows: BoardRow[] }
    return rows.find((row) => row.caseId === opened.caseStream.id)
  }
  const openStay = () =>
    client.send({ type: 'episode', id: uuidv7() }, 'episode-opened', { patientId: uuidv7(), place: 'Bay 1', zone: 'Etc/UTC' })

  const times = isLong ? 13 : 2

  it('twenty cases are opened over and over without one error', async function () {
    this.timeout(60_000)
    const statuses: number[] = []
    for (let time = 0; time < times; time++) {
      const stays = await Promise.all(Array.from({ length: 20 }, openStay))
      statuses.push(...stays.map((stay) => stay.status))
      const opened = await Promise.all(
        stays.map(async (_stay, index) => {
          const episode = { type: 'episode', id: uuidv7() } as const
          await client.send(episode, 'episode-opened', { patientId: uuidv7(), place: `Bay ${index}`, zone: 'Etc/UTC' })
          return client.send({ type: 'case', id: uuidv7() }, 'case-opened', {
            episodeId: episode.id,
            injuryId: uuidv7(),
            technique: 'leg-slab',
          })
        }),
      )
      statuses.push(...opened.map((answer) => answer.status))
    }
    expect(statuses.filter((status) => status !== 200)).to.deep.equal([])
    expect(statuses).to.have.length(times * 40)
  })

  it('a round that meets the application keeps the next round on the Board, every time', async function () {
    this.timeout(60_000)
    for (let time = 0; time < (isLong ? 60 : 6); time++) {
      const opened = await openCase(client)
      const round = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left') }
      const answers = await Promise.all([
        client.send(opened.caseStream, 'applied', {}),
        client.send(opened.episodeStream, 'round', round),
        client.send(opened.episodeStream, 'place', { place: 'Ward A' }, 2),
      ])
      expect(answers.slice(0, 2).map((answer) => answer.status)).to.deep.equal([200, 200])
      const row = await boardOf(opened)
      expect(row?.nextDueAt, `time ${time}`).to.be.a('string')
      expect(row?.level, `time ${time}`).to.equal('none')
    }
  })

  it('fifty people write to one case, and every entry is kept once', async function () {
    this.timeout(60_000)
    const opened = await openCase(client)
    const people = Array.from({ length: 50 }, (_, index) => index)
    const answers = await Promise.all(
      people.map((index) =>
        index % 2 === 0
          ? client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 30 + index / 10))
          : client.send(opened.episodeStream, 'round', {
              cases: [opened.caseStream.id],
              isBaseline: false,
              outcome: 'done',
              reason: '',
              findings: bothLegs('left', { restPain: index % 10 }),
            }),
      ),
    )
    expect(answers.filter((answer) => answer.status !== 200)).to.deep.equal([])
    const { body } = await client.get(`/api/cases/${opened.caseStream.id}`)
    expect((body['record'] as { measurements: unknown[] }).measurements).to.have.length(25)
    expect((body['episode'] as { rounds: unknown[] }).rounds).to.have.length(25)
  })

  it('leaves no line of the Board wrong: the mender finds nothing to mend', async () => {
    await harness.board.mendAll()
    expect(harness.board.mended).to.equal(0)
    expect((await client.get('/api/health')).body).to.include({ boardLinesMended: 0 })
  })

  it('and a line that is wrong is derived anew, counted, and the others stay', async () => {
    const [spoiled, other] = [await openCase(client), await openCase(client)]
    const before = await boardOf(spoiled)
    await harness.db.query('UPDATE cases SET board = :board WHERE id = :id', {
      replacements: { board: JSON.stringify({ ...before, place: 'Nowhere' }), id: spoiled.caseStream.id },
    })
    expect((await boardOf(spoiled))?.place).to.equal('Nowhere')
    await harness.board.mendAll()
    expect(await boardOf(spoiled)).to.deep.equal(before)
    expect((await boardOf(other))?.place).to.equal('Bay 1')
    expect(harness.board.mended).to.equal(1)
  })

  it('a database that does not say who is on the Board is logged, and ends nothing', async () => {
    const lines: { msg: string }[] = []
    const log = createLog('warn', { write: (text: string) => void lines.push(JSON.parse(text) as (typeof lines)[number]) }, () => 0)
    const models = defineModels(harness.db)
    const streams = { ...createStreamRepository(harness.db, models), liveEpisodeIds: () => Promise.reject(new Error('interrupted')) }
    const board = createBoardMender({
      db: harness.db,
      streams,
      changes: { note: () => Promise.resolve() },
      log,
      planStay: () => Promise.resolve(),
    })
    await board.mendAll()
    expect([board.mended, lines.map(({ msg }) => msg)]).to.deep.equal([0, ['the Board could not be looked through']])
  })

  it('work that another writer stood in the way of is done again, and given up in words', async () => {
    const inTheWay = (errno: number): Error => Object.assign(new Error('in the way'), { parent: { errno } })
    let count = 0
    const done = await inTransaction(harness.db, async () => {
      count++
      if (count < 3) throw inTheWay(count === 1 ? 1213 : 1205)
      return 'done'
    })
    expect([done, count]).to.deep.equal(['done', 3])
    const fails = await inTransaction(harness.db, () => Promise.reject(inTheWay(1213))).catch((error: unknown) => error)
    expect(fails).to.include({ status: 503, code: 'unavailable' })
    const other = await inTransaction(harness.db, () => Promise.reject(inTheWay(1062))).catch((error: unknown) => error)
    expect(other).to.have.nested.property('parent.errno', 1062)
  })
})
