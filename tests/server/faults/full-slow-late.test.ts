import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { connectReads } from '../../../src/server/db/connect'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'
import { startSlowLine } from '../../harness/browser/slow-line'

describe('a disk that is full, a database that is slow, a clock that jumps', () => {
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  beforeEach(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    opened = await openCase(ada)
  })
  afterEach(() => harness.stop())

  const sql = (text: string): Promise<unknown> => harness.db.query(text, { type: QueryTypes.RAW })
  const whole = async (): Promise<void> => {
    expect((await verifyDatabase(harness.db, defineModels(harness.db))).faults).to.deep.equal([])
  }
  const notes = async (): Promise<readonly string[]> =>
    ((await ada.get(`/api/cases/${opened.caseStream.id}`)).body['record'] as { notes: readonly { text: string }[] }).notes.map(
      (note) => note.text,
    )

  // As the database says it: no room on the disk, in the table, or for the file.
  for (const [table, number] of [
    ['events', 1021],
    ['events', 1114],
    ['countersigns', 1021],
  ] as const)
    it(`no room for ${table} (${number}): nothing is half kept, everybody is told to wait, and it goes on when there is room`, async () => {
      const teodor = await harness.signIn('teodor', ['trainee'])
      await sql(
        `CREATE TRIGGER no_room BEFORE INSERT ON ${table} FOR EACH ROW SIGNAL SQLSTATE 'HY000' SET MYSQL_ERRNO = ${number}, MESSAGE_TEXT = 'no room'`,
      )
      const id = uuidv7()
      const text = 'written while the disk was full'
      const refused = await teodor.sendAs(opened.caseStream, 'note', { text }, { id })
      const board = await ada.get('/api/board')
      await sql('DROP TRIGGER no_room')
      expect([refused.status, refused.body['type']]).to.deep.equal([503, 'urn:zesty-wren:error:unavailable'])
      expect(refused.body['detail']).to.include('kept')
      expect(board.status).to.equal(200)
      expect(await notes()).to.deep.equal([])
      await whole()
      expect((await teodor.sendAs(opened.caseStream, 'note', { text }, { id })).status).to.equal(200)
      expect(await notes()).to.deep.equal([text])
      await whole()
    })

  it('a database that takes 60 ms for every word still keeps each entry once, and a Board comes', async () => {
    const url = new URL(process.env['TEST_DATABASE_URL']!)
    const line = await startSlowLine(Number(url.port))
    url.port = String(line.port)
    const slow = await startHarness({ keeps: true, url: url.href })
    try {
      const bram = await slow.signIn('bram', ['clinician'])
      line.delayMs = 30
      const sent = Array.from({ length: 6 }, (_, index) => ({ id: uuidv7(), text: `slow ${index}` }))
      const twice = [...sent, ...sent]
      const answers = await Promise.all(twice.map(({ id, text }) => bram.sendAs(opened.caseStream, 'note', { text }, { id })))
      const board = await bram.get('/api/board')
      line.delayMs = 0
      expect(answers.map((answer) => answer.status)).to.deep.equal(twice.map(() => 200))
      expect(board.status).to.equal(200)
      expect([...(await notes())].sort()).to.deep.equal(sent.map((one) => one.text))
    } finally {
      await slow.stop()
      await line.close()
    }
    await whole()
  }).timeout(60_000)

  it('a database that stands still is given up in words, and is used again when it moves', async () => {
    const blocker = connectReads(process.env['TEST_DATABASE_URL']!)
    const block = await blocker.transaction()
    await blocker.query('SELECT id FROM episodes WHERE id = :id FOR UPDATE', {
      type: QueryTypes.SELECT,
      transaction: block,
      replacements: { id: opened.episodeStream.id },
    })
    const refused = await ada.send(opened.caseStream, 'note', { text: 'held up' })
    await block.rollback()
    await blocker.close()
    expect(refused.status).to.equal(503)
    expect((await ada.send(opened.caseStream, 'note', { text: 'afterwards' })).status).to.equal(200)
    expect(await notes()).to.deep.equal(['afterwards'])
  }).timeout(60_000)

  it('a case that was there and is not found is no refusal: the database is not in step', async () => {
    expect((await ada.send(opened.caseStream, 'note', { text: 'before' })).status).to.equal(200)
    const other = await openCase(ada)
    expect(await notes()).to.deep.equal(['before'])
    await sql(`CREATE TABLE kept_cases AS SELECT * FROM cases WHERE id = '${opened.caseStream.id}'`)
    await sql(`DELETE FROM cases WHERE id = '${opened.caseStream.id}'`)
    const id = uuidv7()
    const note = (): ReturnType<Client['sendAs']> => ada.sendAs(opened.caseStream, 'note', { text: 'while it was away' }, { id })
    const [written, started, read] = [
      await note(),
      await ada.send(opened.caseStream, 'worry', { text: 'x' }),
      await ada.get(`/api/cases/${opened.caseStream.id}`),
    ]
    expect([written.status, started.status, read.status]).to.deep.equal([503, 503, 503])
    expect((await ada.send(other.caseStream, 'note', { text: 'beside it' })).status).to.equal(200)
    expect((await ada.get(`/api/cases/${uuidv7()}`)).status, 'one that never was').to.equal(404)
    await sql('INSERT INTO cases SELECT * FROM kept_cases')
    await sql('DROP TABLE kept_cases')
    expect((await note()).status).to.equal(200)
    expect(await notes()).to.deep.equal(['before', 'while it was away'])
    await whole()
  })

  it('a server’s clock that jumps back and forth loses nothing, doubles nothing, and the chain holds', async () => {
    const hour = 3_600_000
    for (const [jump, index] of [0, -2 * hour, 5 * hour, -24 * hour, hour].map((one, at) => [one, at] as const)) {
      harness.now += jump
      const at = new Date(harness.now).toISOString()
      expect((await ada.sendAs(opened.caseStream, 'note', { text: `jump ${index}` }, { at })).status, `after ${jump / hour} h`).to.equal(
        200,
      )
      expect((await ada.sendAs(opened.caseStream, 'reading', reading('ankle-girth', 'left', 25 + index), { at })).status).to.equal(200)
      expect((await ada.get('/api/board')).status).to.equal(200)
    }
    expect(await notes()).to.have.length(5)
    await whole()
  })
})
