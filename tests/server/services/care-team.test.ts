import { expect } from 'chai'
import type { CaseAnswer } from '#contract/api/answers'
import type { LooksInAnswer, SayWhy } from '#contract/api/looks-in'
import { routeRights, ruleOf, type RouteId } from '#contract/api/route-rights'
import { unknownPatient } from '#contract/records/episode'
import { wardId } from '#contract/records/ward'
import type { BoardAnswer } from '#contract/api/board'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import { openCase, openClient, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const ward = { type: 'ward', id: wardId } as const

describe('care teams, where the house keeps them', () => {
  let harness: Harness
  let lena: Client
  let bram: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness({ app: { hasCareTeams: true } })
    lena = await harness.signIn('lena', ['lead'])
    bram = await harness.signIn('bram', ['clinician'])
    opened = await openCase(bram)
    await bram.send(opened.episodeStream, 'place', { place: 'Ward 1, Bed 2' })
    await lena.send(ward, 'areas-set', {
      areas: [
        { name: 'Ward 1', beds: [] },
        { name: 'Ward 10', beds: [] },
      ],
    })
    await lena.send(ward, 'teams-set', { teams: [{ name: 'Bones', areas: ['Ward 1'] }] })
  })
  after(() => harness.stop())

  let count = 0
  async function somebody(settings: Partial<PersonSettings> = {}): Promise<Client> {
    const who = await harness.signIn(`nurse-${++count}`, ['clinician'])
    const kept = await who.send({ type: 'person', id: who.personId }, 'settings', { ...defaultSettings, ...settings }, 1)
    expect(kept.status).to.equal(200)
    return who
  }
  const read = async (who: Client): Promise<number> => (await who.get(`/api/cases/${opened.caseStream.id}`)).status

  it('opens a case at once to whoever entered something, works there, or is on the rota there', async () => {
    expect(await read(bram)).to.equal(200)
    expect(await read(await somebody({ places: ['Ward 1'] }))).to.equal(200)
    expect(await read(await somebody({ team: 'Bones' }))).to.equal(200)
    const onRota = await somebody()
    const shift = { role: 'Registrar', name: `nurse-${count}`, from: '00:00', until: '00:00', days: [1, 2, 3, 4, 5, 6, 7] }
    await lena.send(ward, 'rota-set', { area: 'Ward 1', shifts: [shift] })
    expect(await read(onRota)).to.equal(200)
  })

  it('asks whoever is outside why, by every way that shows the case, and opens it once they have said', async () => {
    const who = await somebody({ places: ['Ward 10'] })
    const ways = (Object.keys(routeRights) as RouteId[]).filter((id) => ruleOf(id).reads?.of === 'case')
    expect(ways.length).to.be.greaterThan(5)
    for (const way of ways) {
      const path = way.replace('GET ', '').replace(':id', opened.caseStream.id).replace(':paper', 'round-chart')
      const answer = await who.get(path)
      expect(answer.status, path).to.equal(403)
      expect(answer.body['type'], path).to.equal('urn:zesty-wren:error:say-why')
      expect((answer.body['current'] as SayWhy).episodeId, path).to.equal(opened.episodeStream.id)
    }
    expect((await who.send(opened.episodeStream, 'looked-in', { reason: ' ' })).status, 'a reason is needed').to.equal(422)
    expect((await who.send(opened.episodeStream, 'looked-in', { reason: 'called to help' })).status).to.equal(200)
    expect(await read(who)).to.equal(200)
  })

  it('asks again after a shift: to have looked in is not to take part', async () => {
    const who = await somebody()
    await who.send(opened.episodeStream, 'looked-in', { reason: 'called to help' })
    // Nothing is remembered of a case that was not opened yet.
    const before = harness.now
    harness.now += 13 * 3_600_000
    const later = await openAgain(who)
    expect(later).to.equal(403)
    harness.now = before
  })

  /** As somebody who signs in anew: a session does not last so long. */
  async function openAgain(who: Client): Promise<number> {
    const anew = await openClient(harness.address, who.personId, `nurse-${count}`)
    return read(anew)
  }

  it('refuses nobody an entry; one that was made blind opens nothing', async () => {
    const who = await somebody()
    expect(await read(who)).to.equal(403)
    expect((await who.send(opened.caseStream, 'note', { text: 'looked at the toes' })).status).to.equal(200)
    expect(await read(who)).to.equal(403)
  })

  it('opens a case at a place that is nobody’s to everybody', async () => {
    const other = await openCase(bram)
    await bram.send(other.episodeStream, 'place', { place: 'Corridor' })
    const who = await somebody()
    expect((await who.get(`/api/cases/${other.caseStream.id}`)).status).to.equal(200)
  })

  it('shows leads who opened what, and why, and counts it; nobody else sees that', async () => {
    const who = await somebody()
    await who.send(opened.episodeStream, 'looked-in', { reason: 'emergency at the bedside' })
    const answer = (await lena.get('/api/looks-in')).body as unknown as LooksInAnswer
    expect(answer.count).to.be.greaterThan(0)
    expect(answer.looks.find((look) => look.reason === 'emergency at the bedside')).to.include({ place: 'Ward 1, Bed 2' })
    expect((await bram.get('/api/looks-in')).status).to.equal(403)
  })

  it('shows initials of a confidential patient, and asks even whoever works there', async () => {
    const secret = await openCase(bram)
    await bram.send(secret.episodeStream, 'patient', {
      ...unknownPatient,
      name: 'Tova Rill',
      number: 'TS-9',
      born: '1970-01-02',
      isTemporary: false,
    })
    await bram.send(secret.episodeStream, 'place', { place: 'Ward 1, Bed 9' })
    const trainee = await harness.signIn('tess', ['trainee'])
    const body = { isConfidential: true, reason: 'a colleague of the ward' }
    expect((await trainee.send(secret.episodeStream, 'confidential', body)).status).to.equal(403)
    expect((await bram.send(secret.episodeStream, 'confidential', body)).status).to.equal(200)
    const who = await somebody({ places: ['Ward 1'] })
    const path = `/api/cases/${secret.caseStream.id}`
    const lineOf = async (client: Client): Promise<object | undefined> =>
      ((await client.get('/api/board')).body as unknown as BoardAnswer).rows.find((row) => row.caseId === secret.caseStream.id)
    expect(await lineOf(who)).to.include({ patient: 'T.R.', number: '' })
    expect(JSON.stringify((await who.get('/api/history?q=rill')).body)).not.to.contain('Tova')
    expect(JSON.stringify((await who.get('/api/hand-over')).body)).not.to.contain('Tova')
    expect(await lineOf(bram)).to.include({ patient: 'Tova Rill', number: 'TS-9' })
    expect((await who.get(path)).status).to.equal(403)
    await who.send(secret.episodeStream, 'looked-in', { reason: 'called to help' })
    expect((await who.get(path)).status).to.equal(200)
    expect(await lineOf(who)).to.include({ patient: 'Tova Rill' })
    const base = ((await bram.get(path)).body as unknown as CaseAnswer).episodeVersion
    const opening = { isConfidential: false, reason: 'asked for it' }
    expect((await bram.send(secret.episodeStream, 'confidential', opening, base)).status).to.equal(200)
    expect(await lineOf(await somebody({ places: ['Ward 1'] }))).to.include({ patient: 'Tova Rill' })
  })
})

describe('care teams, as long as nobody has turned them on', () => {
  it('asks nobody, and hides no name', async () => {
    const harness = await startHarness()
    try {
      const lena = await harness.signIn('lena', ['lead'])
      const bram = await harness.signIn('bram', ['clinician'])
      const opened = await openCase(bram)
      await bram.send(opened.episodeStream, 'place', { place: 'Ward 1, Bed 2' })
      await lena.send(ward, 'areas-set', { areas: [{ name: 'Ward 1', beds: [] }] })
      const other = await harness.signIn('other', ['viewer'])
      expect((await other.get(`/api/cases/${opened.caseStream.id}`)).status).to.equal(200)
      expect((await other.get('/api/session')).body['hasCareTeams']).to.equal(false)
    } finally {
      await harness.stop()
    }
  })
})
