import { expect } from 'chai'
import { Secret, TOTP } from 'otpauth'
import { QueryTypes } from 'sequelize'
import { clientOf, password, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

describe('a second factor', () => {
  let harness: Harness
  afterEach(() => harness.stop())

  /** What an authenticator app shows. */
  const shown = (secret: string, atMs = harness.now): string =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: atMs })
  const tryIn = (name: string, more: object = {}): Promise<Answer> =>
    request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, password, ...more }),
    })
  const begin = async (client: Client): Promise<string> =>
    String((await client.post('/api/session/second-factor', { password })).body['secret'])
  const confirm = (client: Client, code: string): Promise<Answer> => client.post('/api/session/second-factor/confirm', { code })
  const enrol = async (client: Client): Promise<string> => {
    const secret = await begin(client)
    expect((await confirm(client, shown(secret))).status).to.equal(200)
    return secret
  }
  const outcome = ({ status, body }: Answer): string =>
    `${status} ${
      String(body['type'] ?? '')
        .split(':')
        .at(-1) ?? ''
    }`.trim()

  it('is asked for from the first right code on, by name and password alone nobody comes in', async () => {
    harness = await startHarness()
    const maren = await harness.signIn('maren', ['lead'])
    const secret = await begin(maren)
    expect(secret).to.match(/^[A-Z2-7]{32}$/)
    expect((await tryIn('maren')).status).to.equal(200)
    expect(outcome(await confirm(maren, '000000'))).to.equal('422 invalid')
    expect((await confirm(maren, shown(secret))).status).to.equal(200)
    harness.now += 30_000
    expect(outcome(await tryIn('maren'))).to.equal('401 second-factor')
    expect(outcome(await tryIn('maren', { code: '12345' }))).to.equal('422 invalid')
    expect(outcome(await tryIn('maren', { code: shown(secret, harness.now + 600_000) }))).to.equal('401 second-factor')
    const inside = await tryIn('maren', { code: shown(secret) })
    expect(inside.body).to.include({ hasSecondFactor: true, mustEnrol: false })
    // The same code again is somebody who looked over the shoulder.
    expect(outcome(await tryIn('maren', { code: shown(secret) }))).to.equal('401 second-factor')
    expect(outcome(await tryIn('maren', { code: shown(secret), password: 'wrong' }))).to.equal('401 wrong-sign-in')
  })

  it('a code counts once among many at once, and a phone may be half a minute wrong', async () => {
    harness = await startHarness()
    const secret = await enrol(await harness.signIn('maren', ['lead']))
    harness.now += 60_000
    const answers = await Promise.all(Array.from({ length: 5 }, () => tryIn('maren', { code: shown(secret) })))
    expect(answers.filter((answer) => answer.status === 200)).to.have.length(1)
    harness.now += 60_000
    expect((await tryIn('maren', { code: shown(secret, harness.now - 30_000) })).status).to.equal(200)
    expect((await tryIn('maren', { code: shown(secret, harness.now + 30_000) })).status).to.equal(200)
    expect((await tryIn('maren', { code: shown(secret, harness.now + 90_000) })).status).to.equal(401)
  })

  it('guessing is paused as wrong passwords are, and a right password buys no more tries', async () => {
    harness = await startHarness()
    await enrol(await harness.signIn('maren', ['lead']))
    const outcomes: string[] = []
    for (let index = 0; index < 8; index++) outcomes.push(outcome(await tryIn('maren', index % 2 ? { code: '000000' } : {})))
    expect(outcomes).to.deep.equal([
      ...Array.from({ length: 5 }, () => '401 second-factor'),
      '429 too-many',
      '429 too-many',
      '429 too-many',
    ])
  })

  it('another admin takes it away from who lost the phone; their sessions end, and it is kept', async () => {
    harness = await startHarness()
    const greta = await harness.signIn('greta', ['admin'])
    const maren = await harness.signIn('maren', ['lead'])
    await enrol(maren)
    await enrol(greta)
    expect(outcome(await maren.post('/api/session/second-factor', { password }))).to.equal('409 second-factor')
    const own = await greta.post(`/api/admin/people/${greta.personId}/actions`, { action: 'second-factor-off' })
    expect(own.status).to.equal(409)
    expect((await greta.post(`/api/admin/people/${maren.personId}/actions`, { action: 'second-factor-off' })).status).to.equal(200)
    expect((await maren.get('/api/board')).status).to.equal(401)
    expect((await tryIn('maren')).body).to.include({ hasSecondFactor: false })
    const rows = await harness.db.query<{ body: string }>(`SELECT body FROM events WHERE stream_id = :id AND kind = 'access'`, {
      type: QueryTypes.SELECT,
      replacements: { id: maren.personId },
    })
    expect(rows.map((row) => (JSON.parse(row.body) as { change: string }).change)).to.deep.equal(['second-factor', 'second-factor-off'])
  })

  it('where the server wants it, leads and admins do nothing before; others are not asked', async () => {
    harness = await startHarness({ app: { secondFactorOf: 'leads' } })
    const maren = await harness.signIn('maren', ['lead'])
    const ada = await harness.signIn('ada', ['clinician'])
    expect((await maren.get('/api/session')).body).to.include({ mustEnrol: true })
    expect(outcome(await maren.get('/api/board'))).to.equal('403 second-factor')
    expect(outcome(await maren.post('/api/events', {}))).to.equal('403 second-factor')
    const secret = await enrol(maren)
    expect((await maren.get('/api/board')).status).to.equal(200)
    expect((await ada.get('/api/board')).status).to.equal(200)
    expect((await ada.get('/api/session')).body).to.include({ mustEnrol: false })
    harness.now += 30_000
    const again = await tryIn('maren', { code: shown(secret) })
    expect((await clientOf(harness.address, maren.personId, again).get('/api/board')).status).to.equal(200)
  })

  it('where the server wants it of everybody, a viewer sets it up too; a paired device never does', async () => {
    harness = await startHarness({ app: { secondFactorOf: 'everybody' } })
    const greta = await harness.signIn('greta', ['admin'])
    const vera = await harness.signIn('vera', ['viewer'])
    expect((await vera.get('/api/session')).body).to.include({ mustEnrol: true })
    expect(outcome(await vera.get('/api/board'))).to.equal('403 second-factor')
    await enrol(vera)
    expect((await vera.get('/api/board')).status).to.equal(200)
    await enrol(greta)
    const cookie = ((await greta.post('/api/admin/devices', { name: 'Resus 2' })).headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    const device = await request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    expect(device.body).to.include({ mustEnrol: false })
    const resus = clientOf(harness.address, (device.body['person'] as { id: string }).id, device)
    expect((await resus.get('/api/board')).status).to.equal(200)
    expect(outcome(await resus.post('/api/session/second-factor', { password }))).to.equal('409 paired-device')
  })

  it('a recovery code stands in for the app once; new ones end the old, and all end with the app', async () => {
    harness = await startHarness()
    const greta = await harness.signIn('greta', ['admin'])
    const maren = await harness.signIn('maren', ['lead'])
    const codesOf = ({ body }: Answer): readonly string[] => body['recovery'] as string[]
    expect(outcome(await maren.post('/api/session/second-factor/recovery', { password }))).to.equal('409 second-factor')
    const codes = codesOf(await confirm(maren, shown(await begin(maren))))
    expect(codes).to.have.length(8)
    for (const code of codes) expect(code).to.match(/^([a-z2-9]{4}-){3}[a-z2-9]{4}$/)
    const [first = '', second = '', third = ''] = codes
    expect((await tryIn('maren', { code: first.replaceAll('-', ' ').toUpperCase() })).status).to.equal(200)
    expect(outcome(await tryIn('maren', { code: first }))).to.equal('401 second-factor')
    expect(outcome(await tryIn('maren', { code: 'aaaa-aaaa-aaaa-aaaa' }))).to.equal('401 second-factor')
    expect(outcome(await tryIn('maren', { code: second.slice(1) }))).to.equal('422 invalid')
    expect(outcome(await maren.post('/api/session/second-factor/recovery', { password: 'wrong' }))).to.equal('422 invalid')
    const newer = codesOf(await maren.post('/api/session/second-factor/recovery', { password }))
    expect(outcome(await tryIn('maren', { code: third }))).to.equal('401 second-factor')
    const many = await Promise.all(Array.from({ length: 4 }, () => tryIn('maren', { code: newer[0] })))
    expect(many.filter((answer) => answer.status === 200)).to.have.length(1)
    await greta.post(`/api/admin/people/${maren.personId}/actions`, { action: 'second-factor-off' })
    expect(await harness.db.query('SELECT * FROM recovery_codes', { type: QueryTypes.SELECT })).to.deep.equal([])
  })

  it('wants the password again before it is set up', async () => {
    harness = await startHarness()
    const maren = await harness.signIn('maren', ['lead'])
    expect(outcome(await maren.post('/api/session/second-factor', { password: 'wrong' }))).to.equal('422 invalid')
    expect(outcome(await maren.post('/api/session/second-factor', {}))).to.equal('422 invalid')
    expect(outcome(await confirm(maren, '123456'))).to.equal('422 invalid')
  })
})
