import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import type { EpisodeRecord } from '#contract/records/episode'
import { clientOf, openCase, reading, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

describe('a patient whom a paired device brought is handed over', () => {
  let harness: Harness
  let bram: Client
  let device: string
  before(async () => {
    harness = await startHarness()
    const greta = await harness.signIn('greta', ['admin'])
    bram = await harness.signIn('bram', ['clinician'])
    device = ((await greta.post('/api/admin/devices', { name: 'Rescue 2' })).headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  })
  after(() => harness.stop())

  const enter = async (): Promise<Client> => {
    const answer = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie: device } })
    expect(answer.status).to.equal(200)
    return clientOf(harness.address, (answer.body['person'] as { id: string }).id, answer)
  }
  const stayOf = async (client: Client, caseId: string): Promise<EpisodeRecord> =>
    (await client.get(`/api/cases/${caseId}`)).body['episode'] as EpisodeRecord
  const boardOf = async (client: Client): Promise<readonly BoardRow[]> =>
    (await client.get('/api/board')).body['rows'] as readonly BoardRow[]
  const told = ['LEFT lower leg: Back slab, leg, on since 14:05']
  const wordsOf = ({ body }: Answer): string => JSON.stringify(body)
  const gone = async (who: Client, caseId: string): Promise<readonly [number, string]> => {
    const { status, body } = await who.get(`/api/cases/${caseId}`)
    return [status, `${String(body['type'])} ${String(body['detail'])}`]
  }

  for (const order of [
    ['patient-given', 'patient-received'],
    ['patient-received', 'patient-given'],
  ] as const)
    it(`once both sides have said so, ${order[0]} first: then the device says where the patient is`, async () => {
      const somebody = await enter()
      const { caseStream, episodeStream } = await openCase(somebody)
      await bram.send(episodeStream, 'claimed', { words: 'I was there with Ola' })
      const say = {
        'patient-given': () => somebody.send(episodeStream, 'patient-given', { to: 'Resus 2', told }),
        'patient-received': () => bram.send(episodeStream, 'patient-received', { told }),
      }
      expect((await say[order[0]]()).status).to.equal(200)
      expect((await gone(somebody, caseStream.id))[0], 'one side alone takes nothing').to.equal(200)
      expect((await say[order[0]]()).status, 'nobody says it twice').to.equal(422)
      expect((await say[order[1]]()).status).to.equal(200)
      const [status, words] = await gone(somebody, caseStream.id)
      expect([status, words]).to.satisfy(
        () => status === 403 && words.startsWith('urn:zesty-wren:error:handed-over bram has this patient'),
        words,
      )
      expect((await boardOf(somebody)).map((row) => row.caseId)).not.to.include(caseStream.id)
      expect((await boardOf(bram)).find((row) => row.caseId === caseStream.id)).to.not.have.property('unattributed')
      expect((await boardOf(bram)).find((row) => row.caseId === caseStream.id)?.takenOverBy).to.equal('bram')
      expect((await stayOf(bram, caseStream.id)).crewHandOver?.given?.told).to.deep.equal(told)
      // What was entered before that and waited for a line is still taken.
      expect((await somebody.send(caseStream, 'reading', reading('ankle-girth', 'left', 26))).status).to.equal(200)
      const late = await somebody.send(episodeStream, 'patient-given', { to: '', told })
      expect([late.status, wordsOf(late)]).to.satisfy(() => late.status === 422 && wordsOf(late).includes('bram has this patient'))
    })

  it('without words where the crew has gone', async () => {
    const somebody = await enter()
    const { caseStream, episodeStream } = await openCase(somebody)
    await bram.send(episodeStream, 'claimed', { words: 'found in the bay' })
    expect((await bram.send(episodeStream, 'patient-received', { told, withoutWords: true })).status).to.equal(200)
    expect((await gone(somebody, caseStream.id))[0]).to.equal(403)
  })

  it('refuses a receiver who brought the patient, a stay that nobody answers for, and words that are too long', async () => {
    const somebody = await enter()
    const { episodeStream } = await openCase(somebody)
    const early = await bram.send(episodeStream, 'patient-received', { told })
    expect([early.status, wordsOf(early)]).to.satisfy(() => early.status === 422 && wordsOf(early).includes('claims it first'))
    await bram.send(episodeStream, 'claimed', { words: 'I was there with Ola' })
    const own = await somebody.send(episodeStream, 'patient-received', { told })
    expect([own.status, wordsOf(own)]).to.satisfy(() => own.status === 422 && wordsOf(own).includes('under their own name'))
    for (const body of [{ told: ['x'.repeat(601)] }, { told: Array<string>(61).fill('x') }, {}, { told, withoutWords: false }])
      expect([JSON.stringify(body).slice(0, 40), (await bram.send(episodeStream, 'patient-received', body)).status]).to.deep.equal([
        JSON.stringify(body).slice(0, 40),
        422,
      ])
  })

  it('says nothing of it to a device that did not begin it', async () => {
    const other = await openCase(bram)
    await bram.send(other.episodeStream, 'patient-given', { to: '', told })
    await bram.send(other.episodeStream, 'patient-received', { told })
    const [status, words] = await gone(await enter(), other.caseStream.id)
    expect(status).to.equal(403)
    expect(words).to.include('no-right')
  })

  it('never said, is out of sight at the device twelve hours after the claim', async () => {
    const somebody = await enter()
    const { caseStream, episodeStream } = await openCase(somebody)
    await bram.send(episodeStream, 'claimed', { words: 'I was there with Ola' })
    const before = harness.now
    harness.now += 11 * 3_600_000
    const early = await enter()
    expect((await gone(early, caseStream.id))[0]).to.equal(200)
    harness.now += 2 * 3_600_000
    expect((await gone(await enter(), caseStream.id))[0]).to.equal(403)
    harness.now = before
  })

  it('a stay whose cases have all ended is claimed by nobody before one of them is reopened', async () => {
    const somebody = await enter()
    const { caseStream, episodeStream } = await openCase(somebody)
    const version = async (): Promise<number> => Number((await bram.get(`/api/cases/${caseStream.id}`)).body['version'])
    expect((await bram.send(caseStream, 'ended', { how: 'other-hospital', note: '' }, await version())).status).to.equal(200)
    harness.now += 60_000
    const late = await bram.sendAs(episodeStream, 'claimed', { words: 'I was there with Ola' }, { at: new Date(harness.now).toISOString() })
    expect([late.status, wordsOf(late)]).to.satisfy(() => late.status === 422 && wordsOf(late).includes('reopen its case first'))
    expect((await bram.send(caseStream, 'reopened', { reason: 'it was another one' }, await version())).status).to.equal(200)
    expect((await bram.send(episodeStream, 'claimed', { words: 'I was there with Ola' })).status).to.equal(200)
  })
})
