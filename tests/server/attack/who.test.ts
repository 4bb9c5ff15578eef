import { QueryTypes } from 'sequelize'
import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import type { CodeAnswer } from '#contract/api/people'
import type { DeviceKeys, SessionAnswer } from '#contract/api/session'
import { newestVersion } from '#contract/events/upcast'
import { signInForm } from '#contract/sign-in-name'
import { lookOf } from '../../../src/server/people/look-of-name'
import { openCase, password, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'
import { isLong } from '../../harness/long'
import { sealFor } from '../../harness/seal'

const json = { 'content-type': 'application/json' }

/** Who somebody is, against spellings, leavers and codes that are used twice. */
describe('who is who', () => {
  let harness: Harness
  let greta: Client
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
  })
  after(() => harness.stop())

  const tryIn = (name: string, secret: string, device = 'tablet 1'): Promise<Answer> =>
    request(harness.address, '/api/session', {
      method: 'POST',
      headers: { ...json, 'x-wren-device': device },
      body: JSON.stringify({ name, password: secret }),
    })
  const add = (signIn: string): Promise<Answer> => greta.post('/api/admin/people', { name: 'Some Body', signIn, roles: ['clinician'] })

  it('five spellings of a name are one, and share the wait', async () => {
    await harness.signIn('maren', ['clinician'])
    const spellings = ['maren', 'MAREN', 'Maren', 'Ｍaren', 'ｍａｒｅｎ']
    expect(new Set(spellings.map(signInForm)).size).to.equal(1)
    for (const name of spellings) expect((await tryIn(name, 'wrong')).status, name).to.equal(401)
    for (const name of spellings) expect((await tryIn(name, password)).status, name).to.equal(429)
    expect((await tryIn('maren', password, 'another tablet')).status, 'elsewhere it is open').to.equal(200)
  })

  it('letters with and without an accent are two names, and only one of them may be taken', async () => {
    expect((await add('zoe')).status).to.equal(200)
    for (const name of ['zoé', 'zоe', 'ＺＯＥ', 'zöe', 'ZOE', 'z\u03BFe']) {
      const answer = await add(name)
      expect(answer.status, name).to.equal(422)
      expect(JSON.stringify(answer.body['errors']), name).to.match(/taken: choose another|letters of one script/)
    }
    expect((await tryIn('zoé', password)).status).to.equal(401)
    expect(lookOf('Ｍаrén')).to.equal(lookOf('maren'))
    expect(lookOf('1ena')).to.equal(lookOf('lena'))
    expect((await add('zoey')).status).to.equal(200)
  })

  it('fifty wrong tries from anywhere slow an account down, and lock nobody out', async () => {
    await harness.signIn('lou', ['clinician'])
    for (let index = 0; index < 55; index++) expect((await tryIn('lou', 'wrong', `device ${index}`)).status).to.equal(401)
    expect((await tryIn('lou', password, 'my own')).status).to.equal(200)
  })

  it('a one-time code is used up by its first use, and tells no key before a password is chosen', async () => {
    const { code } = (await add('newcomer')).body as unknown as CodeAnswer
    const first = await tryIn('newcomer', code)
    expect(first.body).to.include({ mustChange: true, keys: null })
    expect((await tryIn('newcomer', code)).status).to.equal(401)
    const cookie = (first.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const headers = { ...json, cookie, 'x-csrf-token': String(first.body['csrf']) }
    const choose = (next: string) =>
      request(harness.address, '/api/session/password', { method: 'POST', headers, body: JSON.stringify({ current: code, next }) })
    for (const common of ['password123', '1234567890', 'qwertyuiop'])
      expect(JSON.stringify((await choose(common)).body['errors']), common).to.match(/Many people have this password/)
    expect((await choose('a gull on the third pier')).status).to.equal(200)
    const known = await request(harness.address, '/api/session', { headers: { cookie } })
    expect(known.body['keys']).to.be.an('object')
  })

  it('wrong passwords inside of a session count by the session, whatever its device calls itself, and keep nobody out elsewhere', async () => {
    const ines = await harness.signIn('ines', ['clinician'])
    const next = 'a gull on the third pier'
    const change = (current: string, device: string): Promise<Answer> =>
      ines.post('/api/session/password', { current, next }, { 'x-wren-device': device })
    for (let index = 0; index < 5; index++) expect((await change('wrong', `tablet ${index}`)).status).to.equal(422)
    expect((await change(password, 'tablet 9')).status).to.equal(429)
    expect((await ines.post('/api/session/prove', { password })).status).to.equal(429)
    expect((await tryIn('ines', password, 'tablet 1')).status).to.equal(200)
  })

  it('what only an admin does asks for the password where it was given more than five minutes ago', async () => {
    const ina = await harness.signIn('ina', ['admin'])
    const target = await harness.signIn('target', ['viewer'])
    harness.now += 5 * 60_000 + 1
    for (const [path, body] of [
      [`/api/admin/people/${target.personId}/roles`, { roles: ['lead'] }],
      [`/api/admin/people/${target.personId}/actions`, { action: 'code' }],
      ['/api/admin/people', { name: 'New Body', signIn: 'newbody', roles: ['viewer'] }],
      ['/api/admin/devices', { name: 'Resus 3' }],
    ] as const) {
      const answer = await ina.post(path, body)
      expect([path, answer.status, answer.body['type']]).to.deep.equal([path, 403, 'urn:zesty-wren:error:prove-again'])
    }
    expect((await ina.get('/api/admin/people')).status, 'looking asks for nothing').to.equal(200)
    expect((await ina.post('/api/session/prove', { password: 'wrong' })).status).to.equal(422)
    expect((await ina.post('/api/session/prove', { password })).status).to.equal(200)
    expect((await ina.post(`/api/admin/people/${target.personId}/roles`, { roles: ['lead'] })).status).to.equal(200)
  })

  it('a one-time code that is tried by many at once lets one in', async () => {
    await greta.post('/api/session/prove', { password })
    const { code } = (await add('in-a-hurry')).body as unknown as CodeAnswer
    const counts = new Map<number, number>()
    for (let from = 0; from < (isLong ? 200 : 40); from += 20) {
      const answers = await Promise.all(Array.from({ length: 20 }, (_, index) => tryIn('in-a-hurry', code, `tablet ${from + index}`)))
      for (const { status } of answers) counts.set(status, (counts.get(status) ?? 0) + 1)
    }
    expect(counts.get(200)).to.equal(1)
    expect([...counts.keys()].every((status) => [200, 401, 429, 503].includes(status))).to.equal(true)
    await harness.db.query('DELETE FROM sign_in_failures')
  })

  it('a name has letters of one script, no hidden signs, and is not the program’s', async () => {
    await greta.post('/api/session/prove', { password })
    const named = (name: string, signIn = `n${uuidv7().slice(-6)}`): Promise<Answer> =>
      greta.post('/api/admin/people', { name, signIn, roles: ['clinician'] })
    for (const [name, why] of [
      ['Odа Marl', 'letters of one script'],
      ['Oda\u202EMarl', 'hidden signs'],
      ['Oda\u200B Marl', 'hidden signs'],
      ['Pager', 'the program itself'],
      ['SYSTEM', 'the program itself'],
      ['Ｓｙｓｔｅｍ', 'the program itself'],
    ] as const) {
      const answer = await named(name)
      expect(answer.status, name).to.equal(422)
      expect(JSON.stringify(answer.body['errors']), name).to.include(why)
    }
    expect((await named('Some One', 'pager')).status).to.equal(422)
    for (const name of ['Ода Марл', '織田 まり', 'Odá Øre-Märl', 'O’Dea 3rd']) expect((await named(name)).status, name).to.equal(200)
    await named('Tess Holt', 'tholt')
    await named('Tess Holt', 'tess.h')
    const { people } = (await greta.get('/api/people')).body as { people: { name: string }[] }
    expect(people.map((person) => person.name).filter((name) => name.startsWith('Tess Holt'))).to.have.members([
      'Tess Holt (tholt)',
      'Tess Holt (tess.h)',
    ])
  })

  it('a password that says the same again and again is refused', async () => {
    const who = await harness.signIn('plain', ['clinician'])
    for (const next of ['aaaaaaaaaaaa', 'abcabcabcabc', 'tern1tern1tern1', 'abababababab', 'aabbaabbccaa'])
      expect((await who.post('/api/session/password', { current: password, next })).status, next).to.equal(422)
    await harness.db.query('DELETE FROM sign_in_failures')
    expect((await who.post('/api/session/password', { current: password, next: 'a gull on the third pier' })).status).to.equal(200)
  })

  it('a person sees where they are signed in, and ends it there; nobody else’s', async () => {
    const ola = await harness.signIn('ola', ['clinician'])
    const other = await harness.signIn('una', ['clinician'])
    await tryIn('ola', password, 'left in bay 3')
    const sessions = async (who: Client) => (await who.get('/api/session/mine')).body['sessions'] as { id: string; isThis: boolean }[]
    const left = (await sessions(ola)).find((one) => !one.isThis)
    expect(await sessions(ola)).to.have.length(2)
    await other.post('/api/session/mine/end', { session: left?.id })
    expect(await sessions(ola)).to.have.length(2)
    expect((await ola.post('/api/session/mine/end', { session: left?.id })).status).to.equal(200)
    expect((await sessions(ola)).map((one) => one.isThis)).to.deep.equal([true])
  })

  it('nobody gives themselves a role', async () => {
    await harness.signIn('hana', ['admin'])
    await greta.post('/api/session/prove', { password })
    const answer = await greta.post(`/api/admin/people/${greta.personId}/roles`, { roles: ['admin', 'lead'] })
    expect([answer.status, answer.body['type']]).to.deep.equal([409, 'urn:zesty-wren:error:own-role'])
  })

  it('where there are two admins one asks, and another one makes a lead or an admin', async () => {
    const second = await harness.signIn('second-admin', ['admin'])
    await greta.post('/api/session/prove', { password })
    const nils = await harness.signIn('nils', ['clinician'])
    const rolesBy = async (who: Client, roles: readonly string[]): Promise<number> =>
      (await who.post(`/api/admin/people/${nils.personId}/roles`, { roles })).status
    interface Seen {
      readonly id: string
      readonly roles: readonly string[]
      readonly asked: { readonly by: string; readonly roles: readonly string[] } | null
    }
    const seen = async (): Promise<Seen | undefined> =>
      ((await second.get('/api/admin/people')).body['people'] as Seen[]).find((one) => one.id === nils.personId)
    expect(await rolesBy(greta, ['clinician', 'lead'])).to.equal(200)
    expect(await seen()).to.deep.include({ roles: ['clinician'] })
    expect((await seen())?.asked).to.deep.include({ by: 'greta', roles: ['lead'] })
    // Asking twice is no second admin.
    await rolesBy(greta, ['clinician', 'lead'])
    expect((await seen())?.roles).to.deep.equal(['clinician'])
    expect((await nils.get('/api/held')).status).to.equal(403)
    // Another one gives less than was asked, and it is over; what was not asked is asked anew.
    await rolesBy(second, ['clinician'])
    expect((await seen())?.asked).to.equal(null)
    await rolesBy(greta, ['clinician', 'lead'])
    await rolesBy(second, ['clinician', 'lead', 'admin'])
    expect((await seen())?.roles).to.deep.equal(['clinician'])
    await rolesBy(greta, ['clinician', 'lead', 'admin'])
    expect(await seen()).to.deep.include({ roles: ['clinician', 'lead', 'admin'], asked: null })
    const made = await greta.post('/api/admin/people', { name: 'Rita Rowe', signIn: 'rita', roles: ['admin'] })
    expect(made.status).to.equal(200)
    const all = (await greta.get('/api/admin/people')).body['people'] as (Seen & { readonly signIn: string })[]
    expect(all.find((one) => one.signIn === 'rita')).to.deep.include({ roles: ['viewer'] })
  })

  describe('a ticket of what waits on a device', () => {
    const keysOf = async (name: string): Promise<DeviceKeys> => {
      const answer = (await tryIn(name, password, `of ${name}`)).body as unknown as SessionAnswer
      if (!answer.keys) throw new Error('no keys')
      return answer.keys
    }
    const heldCount = async (): Promise<number> => {
      const [row] = await harness.db.query<{ count: number }>('SELECT COUNT(*) AS count FROM held_entries', { type: QueryTypes.SELECT })
      return Number(row?.count)
    }
    async function sendSealed(keys: DeviceKeys, by: Client): Promise<Answer> {
      const { caseStream } = await openCase(by)
      const event = {
        id: uuidv7(),
        stream: caseStream,
        kind: 'note',
        v: newestVersion('note'),
        body: { text: 'toes pale' },
        at: new Date(harness.now).toISOString(),
        offsetMs: 0,
      }
      return by.post('/api/sealed-events', { sealed: sealFor(keys, { ticket: keys.ticket, event }) })
    }

    it('goes while its author is there, after a new password of their own too', async () => {
      const bram = await harness.signIn('bram', ['clinician'])
      const keys = await keysOf('bram')
      expect((await sendSealed(keys, bram)).status).to.equal(200)
    })

    for (const [what, action] of [
      ['whose access ended', 'end'],
      ['who was given a new code', 'code'],
    ] as const)
      it(`is held for a lead for somebody ${what}, also when they are back`, async () => {
        const carrier = await harness.signIn(`carrier-${action}`, ['clinician'])
        const leaver = await harness.signIn(`leaver-${action}`, ['clinician'])
        const keys = await keysOf(`leaver-${action}`)
        expect((await greta.post(`/api/admin/people/${leaver.personId}/actions`, { action })).status).to.equal(200)
        const before = await heldCount()
        expect((await sendSealed(keys, carrier)).status).to.equal(200)
        if (action === 'end') await greta.post(`/api/admin/people/${leaver.personId}/actions`, { action: 'restore' })
        expect((await sendSealed(keys, carrier)).status).to.equal(200)
        expect((await heldCount()) - before).to.equal(2)
      })
  })
})

describe('the cookie of a session', () => {
  it('over https the session travels by https alone, under a name that no neighbour can set', async () => {
    const secure = await startHarness({ app: { isSecure: true } })
    try {
      await secure.signIn('ada', ['clinician'])
      const answer = await request(secure.address, '/api/session', {
        method: 'POST',
        headers: json,
        body: JSON.stringify({ name: 'ada', password }),
      })
      const cookie = answer.headers.get('set-cookie') ?? ''
      expect(cookie)
        .to.match(/^__Host-wren_session=/)
        .and.include('Secure')
        .and.include('Path=/')
      const [pair = ''] = cookie.split(';')
      const known = async (sent: string) => (await request(secure.address, '/api/session', { headers: { cookie: sent } })).body['person']
      expect(await known(pair)).to.be.an('object')
      expect(await known(pair.replace('__Host-', '')), 'one that a neighbour has set').to.equal(null)
      expect(answer.headers.get('permissions-policy')).to.include('camera=()')
      expect(answer.headers.get('strict-transport-security')).to.match(/^max-age=\d+$/)
    } finally {
      await secure.stop()
    }
  })
})

/** As a page seals: an AES-256-GCM key under RSA-OAEP, the initial vector, the text and its tag. */
