import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { unknownPatient, type EpisodeRecord } from '#contract/records/episode'
import type { RelatedCase } from '#ward/rounds/related-cases'
import type { BoardRow } from '#contract/api/board'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

describe('two records of one patient', () => {
  let harness: Harness
  let ada: Client
  let maren: Client
  let unnamed: OpenedCase
  let known: OpenedCase
  const wenna = { ...unknownPatient, name: 'Wenna Strood', isTemporary: false, born: '1985-03-02', number: 'TS-1204' }
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    maren = await harness.signIn('maren', ['lead'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    unnamed = await openCase(maren)
    known = await openCase(maren)
    await maren.send(known.episodeStream, 'patient', wenna)
    await maren.send(unnamed.caseStream, 'reading', reading('calf-girth', 'left', 38))
  })
  const episodeOf = async (opened: OpenedCase): Promise<EpisodeRecord> =>
    (await ada.get(`/api/cases/${opened.caseStream.id}`)).body['episode'] as EpisodeRecord
  const related = async (opened: OpenedCase): Promise<readonly string[]> =>
    ((await ada.get(`/api/cases/${opened.caseStream.id}/related`)).body['cases'] as RelatedCase[]).map((each) => each.row.caseId)
  const nameOnBoard = async (opened: OpenedCase): Promise<string | undefined> =>
    ((await ada.get('/api/board')).body['rows'] as BoardRow[]).find((row) => row.caseId === opened.caseStream.id)?.patient
  const pathsOf = (answer: Answer): readonly string[] => ((answer.body['errors'] ?? []) as { path: string }[]).map((one) => one.path)
  const merge = (who: Client = maren, body: object = {}): Promise<Answer> =>
    who.send(unnamed.episodeStream, 'merged', { withEpisode: known.episodeStream.id, reason: 'wristband read', ...body })

  it('become one: the unnamed is called by name, and each knows the other', async () => {
    expect(await related(unnamed)).to.deep.equal([])
    const forged = { into: { patientId: uuidv7(), patient: { ...wenna, name: 'Somebody else' } } }
    expect((await merge(maren, forged)).status).to.equal(200)
    const episode = await episodeOf(unnamed)
    expect(episode.patient).to.deep.equal(wenna)
    expect(episode.patientId).to.equal((await episodeOf(known)).patientId)
    expect(await related(unnamed)).to.deep.equal([known.caseStream.id])
    expect(await nameOnBoard(unnamed)).to.equal('Wenna Strood')
    expect(episode.merges?.[0]).to.include({ reason: 'wristband read', by: 'maren' })
  })

  it('keeps what is known here alone: a weight is not lost by a name', async () => {
    await maren.send(unnamed.episodeStream, 'patient', { ...unknownPatient, massKg: 78, isMassEstimated: true, heightCm: 182 })
    await merge()
    expect((await episodeOf(unnamed)).patient).to.include({ name: 'Wenna Strood', massKg: 78, isMassEstimated: true, heightCm: 182 })
  })

  it('are two again when it is undone, with what was done meanwhile', async () => {
    const before = await episodeOf(unnamed)
    await merge()
    await ada.send(unnamed.caseStream, 'note', { text: 'seen by the registrar' })
    expect((await maren.send(unnamed.episodeStream, 'unmerged', { reason: 'another person of that name' })).status).to.equal(200)
    const episode = await episodeOf(unnamed)
    expect(episode.patient).to.deep.equal(before.patient)
    expect(episode.patientId).to.equal(before.patientId)
    expect(episode.merges?.[0]?.undone).to.include({ reason: 'another person of that name', by: 'maren' })
    expect(await related(unnamed)).to.deep.equal([])
    expect(await nameOnBoard(unnamed)).to.match(/^Unnamed \d\d:\d\d/)
    const again = await maren.send(unnamed.episodeStream, 'unmerged', { reason: 'once more' })
    expect([again.status, ...pathsOf(again)]).to.deep.equal([422, 'kind'])
  })

  it('is a lead’s, with a reason, of a stay that is there, and not of one patient with themselves', async () => {
    expect((await merge(ada)).status).to.equal(403)
    expect(pathsOf(await merge(maren, { reason: '' }))).to.deep.equal(['body/reason'])
    expect(pathsOf(await merge(maren, { withEpisode: uuidv7() }))).to.deep.equal(['body/withEpisode'])
    expect(pathsOf(await merge(maren, { withEpisode: unnamed.episodeStream.id }))).to.deep.equal(['body/withEpisode'])
    await merge()
    expect(pathsOf(await merge())).to.deep.equal(['body/withEpisode'])
  })

  it('gives the first answer again when it is sent twice', async () => {
    const id = uuidv7()
    const { episodeVersion } = (await ada.get(`/api/cases/${unnamed.caseStream.id}`)).body as { episodeVersion: number }
    const body = { withEpisode: known.episodeStream.id, reason: 'wristband read' }
    const first = await maren.sendAs(unnamed.episodeStream, 'merged', body, { id, base: episodeVersion })
    const again = await maren.sendAs(unnamed.episodeStream, 'merged', body, { id, base: episodeVersion })
    expect([first.status, again.status, again.body['version']]).to.deep.equal([200, 200, first.body['version']])
  })
})
