import { expect } from 'chai'
import { defineModels } from '../../../src/server/db/models'
import { createStreamRepository } from '../../../src/server/repositories/streams'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { foldVersion } from '#contract/events/fold'
import { QueryTypes } from 'sequelize'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('snapshots', () => {
  let harness: Harness
  let client: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician', 'lead', 'admin'])
    opened = await openCase(client)
    await client.send(opened.caseStream, 'reading', reading('ankle-girth', 'left', 25))
    await client.send(opened.episodeStream, 'place', { place: 'Ward A' })
  })
  after(() => harness.stop())

  const spoil = (table: string, id: string, fold: number): Promise<unknown> =>
    harness.db.query(
      `UPDATE ${table} SET fold = :fold, snapshot = JSON_SET(snapshot, '$.place', 'nowhere', '$.technique', 'leg-cast') WHERE id = :id`,
      {
        replacements: { fold, id },
        type: QueryTypes.UPDATE,
      },
    )
  const read = async (): Promise<{ record: { technique: string; measurements: unknown[] }; episode: { place: string }; version: number }> =>
    (await client.get(`/api/cases/${opened.caseStream.id}`)).body as never

  it('of this fold are read as they are', async () => {
    const { record, episode } = await read()
    expect(record.technique).to.equal('leg-slab')
    expect(episode.place).to.equal('Ward A')
  })

  it('of an older fold are folded again from their events, and kept so with the next event', async () => {
    const before = await read()
    await spoil('cases', opened.caseStream.id, 0)
    await spoil('episodes', opened.episodeStream.id, 0)
    // Another server, that remembers nothing of them.
    const other = createStreamRepository(harness.db, defineModels(harness.db))
    expect((await other.findCase(opened.caseStream.id))?.record).to.deep.equal(before.record)
    expect((await other.findEpisode(opened.episodeStream.id))?.record).to.deep.equal(before.episode)
    expect((await client.send(opened.caseStream, 'note', { text: 'x' })).status).to.equal(200)
    const [row] = await harness.db.query<{ fold: number; snapshot: string }>('SELECT fold, snapshot FROM cases WHERE id = :id', {
      replacements: { id: opened.caseStream.id },
      type: QueryTypes.SELECT,
    })
    expect(row?.fold).to.equal(foldVersion)
    expect((JSON.parse(row?.snapshot ?? '{}') as { technique: string }).technique).to.equal('leg-slab')
  })

  it('of long records are written now and then; every server reads the same of them, at every version', async () => {
    const long = await openCase(client)
    const { id } = long.caseStream
    const models = defineModels(harness.db)
    const other = createStreamRepository(harness.db, models)
    const lags = new Set<number>()
    for (let made = 1; made <= 90; made++) {
      expect((await client.send(long.caseStream, 'note', { text: `${made} ${'x'.repeat(1_500)}` })).status).to.equal(200)
      const [row] = await harness.db.query<{ version: number; kept: number }>(
        'SELECT version, snapshot_version AS kept FROM cases WHERE id = :id',
        {
          replacements: { id },
          type: QueryTypes.SELECT,
        },
      )
      lags.add((row?.version ?? 0) - (row?.kept ?? 0))
      if (made % 9 === 0) {
        const { record, version } = (await client.get(`/api/cases/${id}`)).body
        const fresh = createStreamRepository(harness.db, models)
        for (const repository of [other, fresh]) {
          const found = await repository.findCase(id)
          expect(found?.version).to.equal(version)
          expect(JSON.parse(JSON.stringify(found?.record))).to.deep.equal(record)
        }
      }
    }
    expect(Math.max(...lags)).to.equal(31)
    expect((await verifyDatabase(harness.db, models)).faults).to.deep.equal([])
  }).timeout(30_000)

  it('two servers that write in turn each see what the other wrote', async () => {
    const long = await openCase(client)
    const { id } = long.caseStream
    for (let made = 0; made < 25; made++) await client.send(long.caseStream, 'note', { text: `${made} ${'x'.repeat(1_800)}` })
    const second = await startHarness({ keeps: true })
    try {
      const bram = await second.signIn('bram', ['clinician'])
      for (let turn = 0; turn < 8; turn++) {
        expect((await bram.send(long.caseStream, 'note', { text: `second ${turn}` })).status).to.equal(200)
        expect((await client.send(long.caseStream, 'note', { text: `first ${turn}` })).status).to.equal(200)
      }
      const here = (await client.get(`/api/cases/${id}`)).body['record'] as { notes: readonly { text: string }[] }
      const there = (await bram.get(`/api/cases/${id}`)).body['record']
      expect(there).to.deep.equal(here)
      expect(here.notes.filter((note) => /^(first|second) /.test(note.text))).to.have.length(16)
      expect((await verifyDatabase(harness.db, defineModels(harness.db))).faults).to.deep.equal([])
    } finally {
      await second.stop()
    }
  }).timeout(30_000)

  it('nobody but the server writes what the server alone writes', async () => {
    const place = { type: 'place', id: '0198a3d1-0000-7000-8000-000000000001' } as const
    const answer = await client.send(place, 'stock-imported', { rows: 1, sha256: '0'.repeat(64) })
    expect(answer.status).to.equal(403)
    expect(answer.body['detail']).to.match(/written by the server alone/)
  })
})
