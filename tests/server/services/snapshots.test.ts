import { expect } from 'chai'
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
    const again = await read()
    expect(again.record).to.deep.equal(before.record)
    expect(again.episode).to.deep.equal(before.episode)
    expect((await client.send(opened.caseStream, 'note', { text: 'x' })).status).to.equal(200)
    const [row] = await harness.db.query<{ fold: number; snapshot: string }>('SELECT fold, snapshot FROM cases WHERE id = :id', {
      replacements: { id: opened.caseStream.id },
      type: QueryTypes.SELECT,
    })
    expect(row?.fold).to.equal(foldVersion)
    expect((JSON.parse(row?.snapshot ?? '{}') as { technique: string }).technique).to.equal('leg-slab')
  })

  it('nobody but the server writes what the server alone writes', async () => {
    const place = { type: 'place', id: '0198a3d1-0000-7000-8000-000000000001' } as const
    const answer = await client.send(place, 'stock-imported', { rows: 1, sha256: '0'.repeat(64) })
    expect(answer.status).to.equal(403)
    expect(answer.body['detail']).to.match(/written by the server alone/)
  })
})
