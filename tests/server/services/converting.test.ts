import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import type { BoardRow } from '#contract/api/board'
import type { RelatedCase } from '#ward/rounds/related-cases'
import { bothLegs } from '../../../src/server/demo/findings'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/** A device changed for another one: readings come along, the first is off as the second is on, and both are one story. */
describe('a device changed for another one', () => {
  let harness: Harness
  let ada: Client
  let first: OpenedCase
  const second = (): { readonly type: 'case'; readonly id: string } => ({ type: 'case', id: uuidv7() })
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    first = await openCase(ada)
    await ada.send(first.caseStream, 'reading', reading('calf-girth', 'left', 38))
    await ada.send(first.caseStream, 'reading', reading('ankle-girth', 'left', 25))
    await ada.sendAs(first.caseStream, 'applied', {}, { at: '2026-01-10T07:00:00Z' })
  })

  const recordOf = async (id: string): Promise<CaseRecord> => (await ada.get(`/api/cases/${id}`)).body['record'] as CaseRecord
  const rows = async (): Promise<readonly BoardRow[]> => (await ada.get('/api/board')).body['rows'] as BoardRow[]
  const pathsOf = (answer: Answer): readonly string[] => ((answer.body['errors'] ?? []) as { path: string }[]).map((one) => one.path)
  async function convert(): Promise<{ readonly type: 'case'; readonly id: string }> {
    const stream = second()
    const opening = { episodeId: first.episodeStream.id, injuryId: first.injuryId, technique: 'leg-cast', replaces: first.caseStream.id }
    expect((await ada.send(stream, 'case-opened', opening)).status).to.equal(200)
    return stream
  }

  it('takes readings over as they were taken, whatever the sender says of them', async () => {
    const stream = await convert()
    const [calf] = (await recordOf(first.caseStream.id)).measurements
    const body = { fromCase: first.caseStream.id, readings: [{ ...calf, value: 99, by: 'somebody else' }] }
    const id = uuidv7()
    expect((await ada.sendAs(stream, 'carried-in', body, { id })).status).to.equal(200)
    expect((await recordOf(stream.id)).measurements).to.deep.equal([calf])
    // Sent again, with other words for the same reading: the first answer again.
    const again = { ...body, readings: [calf] }
    expect((await ada.sendAs(stream, 'carried-in', again, { id })).status).to.equal(200)
    // Carried once more under another id: it stands once.
    expect((await ada.send(stream, 'carried-in', again)).status).to.equal(200)
    expect((await recordOf(stream.id)).measurements).to.have.length(1)
  })

  it('refuses readings that are not there, and cases of another patient', async () => {
    const stream = await convert()
    const stranger = await openCase(ada)
    await ada.send(stranger.caseStream, 'reading', reading('calf-girth', 'left', 41))
    const [theirs] = (await recordOf(stranger.caseStream.id)).measurements
    const unknown = await ada.send(stream, 'carried-in', { fromCase: first.caseStream.id, readings: [theirs] })
    expect([unknown.status, ...pathsOf(unknown)]).to.deep.equal([422, 'body/readings/0/key'])
    const foreign = await ada.send(stream, 'carried-in', { fromCase: stranger.caseStream.id, readings: [theirs] })
    expect([foreign.status, ...pathsOf(foreign)]).to.deep.equal([422, 'body/fromCase'])
    const replacing = await ada.send(second(), 'case-opened', {
      episodeId: first.episodeStream.id,
      injuryId: first.injuryId,
      technique: 'leg-cast',
      replaces: stranger.caseStream.id,
    })
    expect([replacing.status, ...pathsOf(replacing)]).to.deep.equal([422, 'body/replaces'])
  })

  it('ends the first as the second is on, and leaves one line on the Board with what stood', async () => {
    const urgent = { isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', { pulse: 'absent' }) }
    await ada.sendAs(first.episodeStream, 'round', { ...urgent, cases: [first.caseStream.id] }, { at: '2026-01-10T07:30:00Z' })
    const stream = await convert()
    expect((await rows()).map((row) => row.caseId)).to.include.members([first.caseStream.id, stream.id])
    expect((await ada.sendAs(stream, 'applied', {}, { at: '2026-01-10T07:50:00Z' })).status).to.equal(200)
    const old = await recordOf(first.caseStream.id)
    expect(old.removedAt).to.equal('2026-01-10T07:50:00Z')
    expect(old.replacedBy).to.equal(stream.id)
    const own = (await rows()).filter((row) => row.episodeId === first.episodeStream.id)
    expect(own.map((row) => [row.caseId, row.level])).to.deep.equal([[stream.id, 'urgent']])
  })

  it('tells each of the other', async () => {
    const stream = await convert()
    await ada.sendAs(stream, 'applied', {}, { at: '2026-01-10T07:50:00Z' })
    const relation = async (id: string): Promise<readonly unknown[]> =>
      ((await ada.get(`/api/cases/${id}/related`)).body['cases'] as RelatedCase[]).map((related) => [
        related.relation,
        related.row.caseId,
        related.offAt,
      ])
    expect(await relation(stream.id)).to.deep.equal([['replaces', first.caseStream.id, '2026-01-10T07:50:00Z']])
    expect(await relation(first.caseStream.id)).to.deep.equal([['replaced-by', stream.id, null]])
    expect((await ada.get(`/api/cases/${uuidv7()}/related`)).status).to.equal(404)
    expect((await ada.get('/api/cases/nothing/related')).status).to.equal(422)
  })

  it('leaves a first device alone that came off before', async () => {
    await ada.send(first.caseStream, 'removed', { reason: 'too tight' })
    const before = await recordOf(first.caseStream.id)
    const stream = await convert()
    await ada.send(stream, 'applied', {})
    expect(await recordOf(first.caseStream.id)).to.deep.equal(before)
  })
})
