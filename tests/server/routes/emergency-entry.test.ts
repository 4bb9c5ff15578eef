import { expect } from 'chai'
import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'
import { eventKinds } from '#contract/events/index'
import type { BoardRow } from '#contract/api/board'
import type { EpisodeRecord } from '#contract/records/episode'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { defineModels } from '../../../src/server/db/models'
import { clientOf, openCase, reading, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

describe('emergency entry by a paired device', () => {
  let harness: Harness
  let greta: Client
  let bram: Client
  let device: string
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
    bram = await harness.signIn('bram', ['clinician'])
    device = cookieOf(await greta.post('/api/admin/devices', { name: 'Resus 2' }))
  })
  after(() => harness.stop())

  const cookieOf = (answer: Answer): string => (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  const begin = (cookie = device): Promise<Answer> =>
    request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
  const enter = async (): Promise<Client> => {
    const answer = await begin()
    expect(answer.status).to.equal(200)
    return clientOf(harness.address, (answer.body['person'] as { id: string }).id, answer)
  }
  const stayOf = async (client: Client, caseId: string): Promise<EpisodeRecord> =>
    (await client.get(`/api/cases/${caseId}`)).body['episode'] as EpisodeRecord
  const boardOf = async (client: Client): Promise<readonly BoardRow[]> =>
    (await client.get('/api/board')).body['rows'] as readonly BoardRow[]

  it('is offered where an admin paired the device, and nowhere else', async () => {
    const there = await request(harness.address, '/api/session', { headers: { cookie: device } })
    expect(there.body).to.include({ person: null })
    expect(there.body['paired']).to.deep.include({ as: 'Resus 2' })
    for (const cookie of ['', `${device.split('.')[0]!}.wrong`])
      expect((await request(harness.address, '/api/session', { headers: { cookie } })).body).to.include({ paired: null })
    expect((await greta.post('/api/admin/devices', { name: '  ' })).status).to.equal(422)
    for (const cookie of ['', 'wren_device=', 'wren_device=a.b', `wren_device=${greta.personId}.x`, `${device.split('.')[0]!}.wrong`]) {
      const answer = await begin(cookie)
      expect([cookie, answer.status, answer.body['type']]).to.deep.equal([cookie, 401, 'urn:zesty-wren:error:not-paired'])
    }
  })

  it('begins a case without an account, under the name of the device', async () => {
    const somebody = await enter()
    const { caseStream } = await openCase(somebody)
    expect((await somebody.send(caseStream, 'reading', reading('ankle-girth', 'left', 26))).status).to.equal(200)
    const stay = await stayOf(somebody, caseStream.id)
    expect(stay.unattributed).to.deep.equal({ actor: somebody.personId, name: 'unattributed@Resus 2' })
  })

  it('sees what was begun there, and no other patient', async () => {
    const other = await openCase(bram)
    const somebody = await enter()
    const own = await openCase(somebody)
    const seen = await boardOf(somebody)
    expect(seen.map((row) => row.caseId)).to.include(own.caseStream.id)
    expect(seen.map((row) => row.caseId)).not.to.include(other.caseStream.id)
    expect((await somebody.get(`/api/cases/${other.caseStream.id}`)).status).to.equal(403)
    expect((await somebody.get(`/api/cases/${own.caseStream.id}/papers/release-card.pdf`)).status).to.equal(200)
    for (const path of [
      '/api/history',
      '/api/hand-over',
      `/api/cases/${own.caseStream.id}/related`,
      '/api/recall?lot=A1',
      '/api/admin/people',
    ])
      expect([path, (await somebody.get(path)).status]).to.deep.equal([path, 403])
    expect((await boardOf(bram)).find((row) => row.caseId === own.caseStream.id)?.unattributed?.name).to.equal('unattributed@Resus 2')
  })

  it('sees the photos that were taken there, and no others', async () => {
    const photo = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } })
      .png()
      .toBuffer()
    const somebody = await enter()
    const [own, other] = [await openCase(somebody), await openCase(bram)]
    const add = async (who: Client, caseId: string): Promise<string> =>
      String((await who.sendRaw(`/api/cases/${caseId}/photos`, photo, 'image/png')).body['id'])
    const [mine, theirs] = [await add(somebody, own.caseStream.id), await add(bram, other.caseStream.id)]
    expect((await somebody.get(`/api/photos/${mine}`)).status).to.equal(200)
    expect((await somebody.get(`/api/photos/${theirs}`)).status).to.equal(403)
    expect((await somebody.sendRaw(`/api/cases/${other.caseStream.id}/photos`, photo, 'image/png')).status).to.equal(403)
  })

  it('is told the names of those who are on, and of nobody else', async () => {
    const somebody = await enter()
    const gone = await harness.signIn('gone', ['clinician'])
    const names = async (): Promise<readonly string[]> =>
      ((await somebody.get('/api/people')).body['people'] as { name: string }[]).map((one) => one.name)
    expect(await names())
      .to.include('gone')
      .and.to.include('bram')
    await greta.post(`/api/admin/people/${gone.personId}/actions`, { action: 'end-sessions' })
    expect(await names()).not.to.include('gone')
    expect(JSON.stringify((await bram.get('/api/people')).body)).to.include('gone')
  })

  it('only adds, and only to what was begun there', async () => {
    const other = await openCase(bram)
    const somebody = await enter()
    const own = await openCase(somebody)
    const refused = [
      somebody.send(other.caseStream, 'reading', reading('ankle-girth', 'left', 26)),
      somebody.send(other.episodeStream, 'flags', { flags: ['diabetes'] }, 3),
      somebody.send(own.caseStream, 'ended', eventKinds.ended.example),
      somebody.send(own.caseStream, 'overrule', { decision: 'width', value: '20', reason: 'it is wider' }),
      somebody.send(own.episodeStream, 'claimed', { words: 'it was me' }),
      somebody.send({ type: 'place', id: uuidv7() }, 'stock-taken', eventKinds['stock-taken'].example),
    ]
    expect((await Promise.all(refused)).map((answer) => answer.status)).to.deep.equal([403, 403, 403, 403, 403, 403])
    const withoutPlan = 'both feet pale, nobody with an account is here'
    const begun = await somebody.send(own.caseStream, 'run-started', { ...eventKinds['run-started'].example, withoutPlan })
    expect(begun.status).to.equal(200)
  })

  it('is claimed once by a clinician: that adds a person, and takes nothing from the device', async () => {
    const somebody = await enter()
    const { caseStream, episodeStream } = await openCase(somebody)
    expect((await bram.send(episodeStream, 'claimed', { words: 'I was there with Ola' })).status).to.equal(200)
    const stay = await stayOf(bram, caseStream.id)
    expect(stay.unattributed?.claimed).to.include({ by: 'bram', words: 'I was there with Ola' })
    expect((await boardOf(bram)).find((row) => row.caseId === caseStream.id)?.unattributed?.claimed?.by).to.equal('bram')
    expect((await somebody.get(`/api/cases/${caseStream.id}`)).status).to.equal(200)
    expect((await boardOf(somebody)).map((row) => row.caseId)).to.include(caseStream.id)
    expect((await somebody.send(caseStream, 'reading', reading('ankle-girth', 'left', 26))).status).to.equal(200)
    const again = await bram.send(episodeStream, 'claimed', { words: 'and once more' })
    expect([again.status, JSON.stringify(again.body)]).to.satisfy(
      ([status, text]: [number, string]) => status === 422 && text.includes('bram has claimed this stay already'),
    )
    const known = await openCase(bram)
    expect((await bram.send(known.episodeStream, 'claimed', { words: 'mine' })).status).to.equal(422)
  })

  it('ends where the device is unpaired; it is no person with other roles', async () => {
    const somebody = await enter()
    const { personId } = somebody
    for (const [path, body] of [
      ['roles', { roles: ['clinician'] }],
      ['actions', { action: 'code' }],
    ] as const)
      expect((await greta.post(`/api/admin/people/${personId}/${path}`, body)).status).to.equal(409)
    expect((await greta.post('/api/admin/people', { name: 'unattributed@Bay 9', signIn: 'bay9', roles: ['clinician'] })).status).to.equal(
      422,
    )
    expect((await greta.post('/api/admin/people', { name: 'Bay Nine', signIn: 'bay9', roles: ['emergency'] })).status).to.equal(422)
    expect((await greta.post(`/api/admin/people/${personId}/actions`, { action: 'end' })).status).to.equal(200)
    expect((await somebody.get('/api/board')).status).to.equal(401)
    expect((await begin()).status).to.equal(401)
    // Pairing it anew gives it another proof; the old one opens nothing.
    const anew = cookieOf(await greta.post('/api/admin/devices', { name: 'resus 2' }))
    expect((await begin(device)).status).to.equal(401)
    expect((await begin(anew)).body['person']).to.include({ id: personId })
  })

  it('leaves a database that is whole', async () => {
    expect((await verifyDatabase(harness.db, defineModels(harness.db), [])).faults).to.deep.equal([])
  })
})
