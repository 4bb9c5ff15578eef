import { expect } from 'chai'
import { hashPassword, verifyPassword } from '../../../src/server/people/password'
import { password, request, startHarness, type Harness } from '../../harness/server-harness'

const json = { 'content-type': 'application/json' }

describe('signing in', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
  })
  after(() => harness.stop())

  const tryIn = (name: string, secret: string) =>
    request(harness.address, '/api/session', { method: 'POST', headers: json, body: JSON.stringify({ name, password: secret }) })

  it('opens a session with a strict cookie that scripts cannot read', async () => {
    await harness.signIn('ada', ['clinician'])
    const answer = await tryIn('ADA', password)
    expect(answer.status).to.equal(200)
    const cookie = answer.headers.get('set-cookie') ?? ''
    expect(cookie).to.include('HttpOnly').and.include('SameSite=Strict')
    expect(answer.body['person']).to.include({ name: 'ada' })
  })

  it('gives wrong names and wrong passwords the same answer', async () => {
    const [name, secret] = await Promise.all([tryIn('nobody', password), tryIn('ada', 'wrong')])
    expect(name.status).to.equal(401)
    expect(secret.status).to.equal(401)
    expect(name.body['detail']).to.equal(secret.body['detail'])
  })

  it('waits after five wrong passwords: one minute, then five, then fifteen', async () => {
    await harness.signIn('lock', ['clinician'])
    for (let tries = 0; tries < 5; tries++) expect((await tryIn('lock', 'wrong')).status).to.equal(401)
    for (const minutes of [1, 5, 15, 15]) {
      const paused = await tryIn('lock', password)
      expect(paused.status).to.equal(429)
      expect(paused.body['detail']).to.include(`wait ${minutes} min`)
      harness.now += minutes * 60_000 + 1
      if (minutes < 15) expect((await tryIn('lock', 'wrong')).status).to.equal(401)
      else break
    }
    expect((await tryIn('lock', password)).status).to.equal(200)
    expect((await tryIn('lock', 'wrong')).status, 'the count begins anew').to.equal(401)
  })

  it('counts wrong passwords that come at once one by one', async () => {
    await harness.signIn('flood', ['clinician'])
    const answers = await Promise.all(Array.from({ length: 25 }, () => tryIn('flood', 'wrong')))
    const statuses = answers.map((answer) => answer.status)
    expect(statuses.filter((status) => status === 401)).to.have.length(5)
    expect(statuses.filter((status) => status === 429)).to.have.length(20)
  })

  it('tells nobody which names there are, and shuts out nobody else', async () => {
    const unknown = await Promise.all(Array.from({ length: 30 }, () => tryIn('nobody-at-all', 'x')))
    const last = unknown.find((answer) => answer.status === 429)
    await Promise.all(Array.from({ length: 7 }, () => tryIn('flood', 'wrong')))
    expect(last?.body['detail']).to.equal((await tryIn('flood', password)).body['detail'])
    await Promise.all(Array.from({ length: 30 }, () => tryIn('', '')))
    expect((await tryIn('ada', password)).status).to.equal(200)
  })

  it('ends a session a day after it began, however busy it was', async () => {
    const client = await harness.signIn('busy', ['viewer'])
    for (let hours = 0; hours < 23; hours += 4) {
      harness.now += 4 * 3_600_000
      expect((await client.get('/api/board')).status, `after ${hours + 4} h`).to.equal(hours + 4 > 24 ? 401 : 200)
    }
    harness.now += 3_600_000
    expect((await client.get('/api/board')).status).to.equal(401)
  })

  it('ends sessions that were idle for twelve hours', async () => {
    const client = await harness.signIn('idle', ['viewer'])
    expect((await client.get('/api/board')).status).to.equal(200)
    harness.now += 12 * 3_600_000 + 1
    const answer = await client.get('/api/board')
    expect(answer.status).to.equal(401)
    expect(answer.headers.get('content-type')).to.include('application/problem+json')
  })

  for (const body of [{}, { name: '', password: '' }, { name: 5, password: [] }, { name: 'a', password: 'b', extra: 1 }]) {
    it(`answers ${JSON.stringify(body)} with 422 and a code per field`, async () => {
      const answer = await request(harness.address, '/api/session', { method: 'POST', headers: json, body: JSON.stringify(body) })
      expect(answer.status).to.equal(422)
      expect(answer.body['errors']).to.be.an('array').that.is.not.empty
    })
  }

  it('refuses what is not JSON, what is too large and what does not exist', async () => {
    const raw = (path: string, body: string) => request(harness.address, path, { method: 'POST', headers: json, body })
    expect((await raw('/api/session', '{"name":')).status).to.equal(400)
    expect((await raw('/api/session', JSON.stringify({ name: 'x'.repeat(2_000_000) }))).status).to.equal(413)
    expect((await request(harness.address, '/api/nowhere')).status).to.equal(404)
  })

  it('refuses a change without the CSRF token', async () => {
    const client = await harness.signIn('csrf', ['clinician'])
    const answer = await client.post('/api/events', {}, { 'x-csrf-token': 'guess' })
    expect(answer.status).to.equal(403)
    expect(answer.body['type']).to.equal('urn:zesty-wren:error:csrf')
  })

  it('reports its health with the database, and a strict content policy', async () => {
    const answer = await request(harness.address, '/api/health')
    expect(answer.body).to.include({ status: 'up', database: 'up' })
    const policy = answer.headers.get('content-security-policy') ?? ''
    expect(policy).to.include("default-src 'none'").and.include("script-src 'self'").and.not.include('unsafe-eval')
  })

  it('hashes with salt and tells right from wrong', async () => {
    const [one, two] = await Promise.all([hashPassword('gale'), hashPassword('gale')])
    expect(one).not.to.equal(two)
    expect(await verifyPassword('gale', one)).to.equal(true)
    expect(await verifyPassword('Gale', one)).to.equal(false)
    expect(await verifyPassword('gale', 'nonsense')).to.equal(false)
  })
})
