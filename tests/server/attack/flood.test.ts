import { expect } from 'chai'
import { pino } from 'pino'
import type { ManagedPeopleAnswer } from '#contract/api/people'
import { createKnownDevices } from '../../../src/server/people/known-devices'
import { createMasterKey } from '../../../src/server/ground/master-key'
import { createSecretRepository } from '../../../src/server/repositories/secrets'
import { password, request, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

/** No limit is turned against the ward: whoever floods the door keeps out nobody who is known there. */
describe('a flood at the door', function () {
  this.timeout(120_000)
  let harness: Harness
  let greta: Client
  const lines: string[] = []
  let isSlow = false
  const sleepers: (() => void)[] = []
  before(async () => {
    harness = await startHarness({
      log: pino({ level: 'warn' }, { write: (line: string) => void lines.push(line) }),
      app: { sleep: () => (isSlow ? new Promise<void>((resolve) => sleepers.push(resolve)) : Promise.resolve()) },
    })
    greta = await harness.signIn('greta', ['admin'])
  })
  after(() => harness.stop())

  const tryIn = (name: string, secret: string, device: string, cookie = ''): Promise<Answer> =>
    request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-wren-device': device, cookie },
      body: JSON.stringify({ name, password: secret }),
    })
  const cookieNamed = (answer: Answer, name: string): string =>
    (answer.headers.getSetCookie().find((one) => one.startsWith(`${name}=`)) ?? '').split(';')[0] ?? ''
  /** As after many wrong tries: the first and the last are made, those between them are counted by the hand of the test. */
  const shut = async (what: 'address' | 'account'): Promise<void> => {
    await tryIn('nurse-5', 'wrong', 'device 0')
    await harness.db.query(
      what === 'address'
        ? `UPDATE sign_in_failures SET failures = 298 WHERE sign_in = ''`
        : `UPDATE sign_in_failures SET failures = 50 WHERE sign_in = 'nurse-5' AND address = ''`,
    )
    for (const last of ['device 1', 'device 2']) await tryIn(what === 'account' ? 'nurse-5' : 'guess', 'wrong', last)
  }
  const names = Array.from({ length: 30 }, (_, index) => `nurse-${index}`)
  const known = new Map<string, string>()

  it('300 wrong tries shut an address to strangers, and to nobody who signed in there before', async () => {
    for (const name of names) {
      await harness.signIn(name, ['clinician'])
      known.set(name, cookieNamed(await tryIn(name, password, 'ward tablet'), 'wren_known'))
    }
    await shut('address')
    expect((await tryIn('nurse-1', password, 'a new tablet')).status).to.equal(429)
    for (const name of names) expect((await tryIn(name, password, 'ward tablet', known.get(name))).status, name).to.equal(200)
    // The mark is of this account on this device: it opens the door for no other name, and nobody makes one up.
    expect((await tryIn('nurse-2', password, 'ward tablet', known.get('nurse-1'))).status).to.equal(429)
    const [device = ''] = (known.get('nurse-1') ?? '').replace('wren_known=', '').split('.')
    for (const made of ['', '.', `${device}.AAAAAAAAAAAAAAAAAAAAAA`, `${device}.${'A'.repeat(500)}`, 'x.y.z', '%00', '.'.repeat(3_000)])
      expect((await tryIn('nurse-1', password, 'ward tablet', `wren_known=${made}`)).status, made.slice(0, 60)).to.equal(429)
  })

  it('on a known device five wrong ones wait all the same', async () => {
    for (let index = 0; index < 5; index++)
      expect((await tryIn('nurse-3', 'wrong', `name ${index}`, known.get('nurse-3'))).status).to.equal(401)
    expect((await tryIn('nurse-3', password, 'name 9', known.get('nurse-3'))).status).to.equal(429)
  })

  it('emergency entry is never slowed nor refused', async () => {
    const paired = cookieNamed(await greta.post('/api/admin/devices', { name: 'Resus 2' }), 'wren_device')
    const begin = (cookie: string): Promise<Answer> =>
      request(harness.address, '/api/session/emergency', { method: 'POST', headers: { cookie } })
    for (let index = 0; index < 30; index++) expect((await begin(paired)).status).to.equal(200)
    // A paired device is known by its key to whoever signs in on it.
    expect((await tryIn('nurse-4', password, 'Resus 2', paired)).status).to.equal(200)
    expect((await begin(`${paired.split('.')[0]}.made-up`)).status).to.equal(401)
  })

  it('an admin sees the address, and lets strangers try again', async () => {
    const listed = (): Promise<ManagedPeopleAnswer> =>
      greta.get('/api/admin/people').then((answer) => answer.body as unknown as ManagedPeopleAnswer)
    const [shut, ...more] = (await listed()).shut
    expect(more).to.deep.equal([])
    const nurse = await request(harness.address, '/api/session', { headers: { cookie: known.get('nurse-1') ?? '' } })
    expect(nurse.body['person']).to.equal(null)
    expect((await greta.post('/api/admin/addresses', { address: '' })).status).to.equal(422)
    expect((await greta.post('/api/admin/addresses', { address: shut?.address })).status).to.equal(200)
    expect((await listed()).shut).to.deep.equal([])
    expect((await tryIn('nurse-1', password, 'a new tablet')).status).to.equal(200)
    expect(lines.join('')).to.include('address-opened')
  })

  it('an account that is guessed at keeps strangers in a line, and nobody else waiting', async () => {
    await shut('account')
    isSlow = true
    const guesses = Array.from({ length: 40 }, (_, index) => tryIn('nurse-5', 'wrong', `more ${index}`))
    const ended: Answer[] = []
    for (const guess of guesses) void guess.then((answer) => ended.push(answer))
    while (ended.length < 19) await new Promise((resolve) => setTimeout(resolve, 20))
    // One sleeps, twenty wait, the others are told to come back; whoever is known, or tries another name, goes on.
    expect(new Set(ended.map((answer) => answer.status))).to.deep.equal(new Set([503]))
    const honest = await Promise.all(names.slice(5).map((name) => tryIn(name, password, 'ward tablet', known.get(name))))
    expect(honest.map((answer) => answer.status)).to.deep.equal(honest.map(() => 200))
    expect((await tryIn('nurse-6', password, 'a newer tablet')).status).to.equal(200)
    expect(sleepers).to.have.length(1)
    isSlow = false
    sleepers[0]?.()
    const counts = (await Promise.all(guesses)).map((answer) => answer.status)
    expect([counts.filter((count) => count === 401).length, counts.filter((count) => count === 503).length]).to.deep.equal([21, 19])
  })

  it('a proxy that nobody named is told of once', async () => {
    for (let index = 0; index < 3; index++) await request(harness.address, '/api/live', { headers: { 'x-forwarded-for': '10.0.0.7' } })
    const told = lines.filter((line) => line.includes('WREN_PROXIES'))
    expect(told).to.have.length(1)
  })

  it('a device remembers as many as fit, the newest first', async () => {
    const devices = createKnownDevices(createSecretRepository(harness.db, createMasterKey(null)))
    let cookie: string | null = null
    for (let index = 0; index < 40; index++) cookie = await devices.remember(cookie, `somebody-${index}`)
    expect(await devices.knows(cookie, 'somebody-39')).to.be.a('string')
    expect(await devices.knows(cookie, 'somebody-16')).to.be.a('string')
    expect(await devices.knows(cookie, 'somebody-15')).to.equal(null)
    expect(cookie?.length).to.be.at.most(592)
  })
})
