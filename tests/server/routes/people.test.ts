import { expect } from 'chai'
import type { CodeAnswer, ManagedPerson } from '#contract/api/people'
import type { StoredEvent } from '#contract/event'
import { defineModels } from '../../../src/server/db/models'
import { eventsOf } from '../../../src/server/repositories/event-rows'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { openClient, password, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

describe('people, as an admin manages them', () => {
  let harness: Harness
  let greta: Client
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
  })
  after(() => harness.stop())

  const list = async (): Promise<readonly ManagedPerson[]> => (await greta.get('/api/admin/people')).body['people'] as ManagedPerson[]
  const find = async (signIn: string): Promise<ManagedPerson> => (await list()).find((one) => one.signIn === signIn)!
  const add = (signIn: string, roles: readonly string[] = ['clinician'], name = `Person ${signIn}`): Promise<Answer> =>
    greta.post('/api/admin/people', { name, signIn, roles })
  const act = (id: string, action: string, by = greta): Promise<Answer> => by.post(`/api/admin/people/${id}/actions`, { action })
  const tryIn = (name: string, secret: string): Promise<Answer> =>
    request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, password: secret }),
    })
  const history = async (id: string): Promise<readonly StoredEvent[]> => eventsOf(defineModels(harness.db), 'person', id)

  it('adds somebody, who comes in once by a code and does nothing before they chose a password', async () => {
    const answer = await add('nell')
    expect(answer.status).to.equal(200)
    const { code } = answer.body as unknown as CodeAnswer
    expect(code).to.match(/^[a-z2-9]{12}$/)
    const { id } = await find('nell')
    const nell = await openClient(harness.address, id, 'nell', code)
    const board = await nell.get('/api/board')
    expect([board.status, board.body['type']]).to.deep.equal([403, 'urn:zesty-wren:error:change-password'])
    expect((await nell.get('/api/session')).body).to.include({ mustChange: true })
    expect((await nell.post('/api/session/password', { current: code, next: 'three small boats' })).status).to.equal(200)
    expect((await nell.get('/api/board')).status).to.equal(200)
    expect((await tryIn('nell', code)).status).to.equal(401)
    expect((await tryIn('nell', 'three small boats')).status).to.equal(200)
    expect((await history(id)).map((one) => [one.kind, one.actorName, (one.body as { change?: string }).change])).to.deep.equal([
      ['person-added', 'greta', undefined],
      ['access', 'greta', 'code'],
      ['access', 'Person nell', 'password'],
    ])
    expect(JSON.stringify(await history(id))).not.to.include(code)
  })

  it('a code is good for a day', async () => {
    const { code } = (await add('late')).body as unknown as CodeAnswer
    harness.now += 24 * 3_600_000 + 1
    expect((await tryIn('late', code)).status).to.equal(401)
    greta = await openClient(harness.address, greta.personId, 'greta')
  })

  it('gives a new code, and whoever was in is out', async () => {
    const client = await harness.signIn('hal', ['clinician'])
    expect((await find('hal')).sessions).to.have.length(1)
    const { code } = (await act(client.personId, 'code')).body as unknown as CodeAnswer
    expect((await client.get('/api/board')).status).to.equal(401)
    expect((await tryIn('hal', password)).status).to.equal(401)
    expect((await tryIn('hal', code)).body).to.include({ mustChange: true })
  })

  it('sets roles, which count at once, and ends sessions and access', async () => {
    const client = await harness.signIn('ines', ['viewer'])
    expect((await greta.post(`/api/admin/people/${client.personId}/roles`, { roles: ['clinician', 'lead'] })).status).to.equal(200)
    expect((await client.get('/api/session')).body['person']).to.deep.include({ roles: ['clinician', 'lead'] })
    expect((await act(client.personId, 'end-sessions')).status).to.equal(200)
    expect((await client.get('/api/board')).status).to.equal(401)
    expect((await act(client.personId, 'end')).status).to.equal(200)
    const [ended, unknown] = [await tryIn('ines', password), await tryIn('nobody', password)]
    expect([ended.status, ended.body['detail']]).to.deep.equal([401, unknown.body['detail']])
    const ines = await find('ines')
    expect([ines.isActive, ines.sessions]).to.deep.equal([false, []])
    await act(client.personId, 'restore')
    expect((await tryIn('ines', password)).status).to.equal(200)
  })

  it('shows where somebody is signed in, and ends one session of theirs alone', async () => {
    const ola = await harness.signIn('ola', ['clinician'])
    harness.now += 60_000
    const second = await openClient(harness.address, ola.personId, 'ola')
    const { sessions } = await find('ola')
    expect(sessions.map((session) => session.isLocked)).to.deep.equal([false, false])
    const [last, first] = sessions
    expect(Date.parse(last!.since) - Date.parse(first!.since)).to.equal(60_000)
    const end = (session?: string, by = ola.personId): Promise<Answer> =>
      greta.post(`/api/admin/people/${by}/actions`, { action: 'end-session', ...(session === undefined ? {} : { session }) })
    expect((await end()).status).to.equal(422)
    expect((await end('nonsense')).status).to.equal(422)
    expect((await greta.post(`/api/admin/people/${ola.personId}/actions`, { action: 'code', session: last!.id })).status).to.equal(422)
    // Somebody else's session is not theirs to end by this.
    expect((await end(last!.id, greta.personId)).status).to.equal(200)
    expect((await second.get('/api/board')).status).to.equal(200)
    expect((await end(last!.id)).status).to.equal(200)
    expect([(await second.get('/api/board')).status, (await ola.get('/api/board')).status]).to.deep.equal([401, 200])
    expect((await find('ola')).sessions).to.have.length(1)
  })

  it('shows who has to wait after wrong sign-ins, and lets them try again', async () => {
    const una = await harness.signIn('una', ['clinician'])
    for (let tries = 0; tries < 7; tries++) await tryIn('una', 'wrong')
    expect((await tryIn('una', password)).status).to.equal(429)
    const { pauses } = await find('una')
    expect(pauses).to.have.length(1)
    expect(pauses[0]?.address).to.match(/127\.0\.0\.1|::1/)
    expect(Date.parse(pauses[0]!.until)).to.be.above(harness.now)
    expect((await act(una.personId, 'let-in')).status).to.equal(200)
    expect((await find('una')).pauses).to.deep.equal([])
    expect((await tryIn('una', password)).status).to.equal(200)
    expect((await history(una.personId)).at(-1)?.body).to.deep.equal({ change: 'let-in' })
  })

  it('leaves one admin, and nobody ends themselves', async () => {
    const last = await greta.post(`/api/admin/people/${greta.personId}/roles`, { roles: ['lead'] })
    expect([last.status, last.body['detail']]).to.deep.equal([409, 'This is the last admin: make somebody else one first.'])
    expect((await act(greta.personId, 'end')).status).to.equal(409)
    const second = await harness.signIn('otto', ['admin'])
    expect((await act(greta.personId, 'end')).body['detail']).to.equal('You cannot end your own access: ask another admin.')
    expect((await act(second.personId, 'end')).status).to.equal(200)
  })

  it('is for admins alone', async () => {
    for (const role of ['viewer', 'trainee', 'clinician', 'lead'] as const) {
      const client = await harness.signIn(`as-${role}`, [role])
      expect((await client.get('/api/admin/people')).status, role).to.equal(403)
      expect((await client.post('/api/admin/people', { name: 'x y', signIn: 'xy', roles: ['lead'] })).status, role).to.equal(403)
      expect((await act(greta.personId, 'code', client)).status, role).to.equal(403)
    }
  })

  for (const [what, body, words] of [
    ['no name', { name: ' ', signIn: 'aa', roles: ['lead'] }, /name/i],
    ['a sign-in name with spaces', { name: 'Ada Q', signIn: 'a b', roles: ['lead'] }, /signIn .*2 to 40 letters, digits, dots or hyphens/],
    ['a taken sign-in name', { name: 'Ada Q', signIn: 'GRETA', roles: ['lead'] }, /greta is taken/],
    ['no roles', { name: 'Ada Q', signIn: 'ada', roles: [] }, /roles has too few entries/],
    ['an unknown role', { name: 'Ada Q', signIn: 'ada', roles: ['king'] }, /roles/],
    ['a name of 300 letters', { name: 'x'.repeat(300), signIn: 'ada', roles: ['lead'] }, /name/],
    ['more than it asks for', { name: 'Ada Q', signIn: 'ada', roles: ['lead'], password: 'x' }, /password/],
  ] as const)
    it(`refuses ${what} in words`, async () => {
      const answer = await greta.post('/api/admin/people', body)
      expect(answer.status).to.equal(422)
      expect(String(answer.body['detail'])).to.match(words)
    })

  for (const [what, change, words] of [
    ['a wrong password of now', { current: 'wrong', next: 'three small boats' }, /The password of now is not right/],
    ['a short one', { current: password, next: 'short' }, /next .*10/],
    ['the same one', { current: password, next: password }, /is the old one/],
    ['one with the name in it', { current: password, next: 'my name is vera' }, /sign-in name in it/],
  ] as const)
    it(`refuses ${what} as a new password, in words`, async () => {
      const vera = await harness.signIn('vera', ['clinician']).catch(() => null)
      const client = vera ?? (await openClient(harness.address, 'x', 'vera'))
      const answer = await client.post('/api/session/password', change)
      expect(answer.status).to.equal(422)
      expect(String(answer.body['detail'])).to.match(words)
    })

  it('leaves every chain whole', async () => {
    expect((await verifyDatabase(harness.db, defineModels(harness.db))).faults).to.deep.equal([])
  })
})
