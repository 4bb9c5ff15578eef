import { randomBytes } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { Secret, TOTP } from 'otpauth'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { newestVersion } from '#contract/events/upcast'
import { createMasterKey, readMasterKey } from '../../../src/server/ground/master-key'
import { createDeviceKeys } from '../../../src/server/people/device-keys'
import { createSecretRepository } from '../../../src/server/repositories/secrets'
import { rotateSecrets, wrapAtStart } from '../../../src/server/services/rotate-secrets'
import { sealFor } from '../../harness/seal'
import { openCase, password, request, startHarness, type Harness } from '../../harness/server-harness'

const [one, two] = [randomBytes(32), randomBytes(32)]
const dayMs = 86_400_000

describe('the key that wraps secrets', () => {
  it('what it wraps it unwraps, in its own place alone, and nobody else does', () => {
    const master = createMasterKey(one)
    const kept = master.wrap('device', 'a root')
    expect(kept).not.to.include('a root')
    expect(master.wrap('device', 'a root')).not.to.equal(kept)
    expect(master.unwrap('device', kept)).to.equal('a root')
    expect(master.unwrap('device', 'plain of before')).to.equal('plain of before')
    expect(() => master.unwrap('seal', kept)).to.throw('is not the key that wrapped')
    expect(() => createMasterKey(two).unwrap('device', kept)).to.throw('is not the key that wrapped')
    expect(() => createMasterKey(null).unwrap('device', kept)).to.throw('set WREN_MASTER_KEY')
  })

  it('is read from the environment or a file, and refused in words', () => {
    const folder = mkdtempSync(join(tmpdir(), 'wren-key-'))
    const file = join(folder, 'key')
    writeFileSync(file, `${one.toString('base64')}\n`)
    const read = (env: Record<string, string>): Buffer | null => readMasterKey(env, 'WREN_MASTER_KEY')
    expect(read({})).to.equal(null)
    expect(read({ WREN_MASTER_KEY: '' })).to.equal(null)
    expect(read({ WREN_MASTER_KEY: one.toString('base64') })?.equals(one)).to.equal(true)
    expect(read({ WREN_MASTER_KEY_FILE: file })?.equals(one)).to.equal(true)
    expect(() => read({ WREN_MASTER_KEY: 'short' })).to.throw(/WREN_MASTER_KEY must hold 32 bytes in base64/)
    expect(() => read({ WREN_MASTER_KEY_FILE: join(folder, 'none') })).to.throw(/WREN_MASTER_KEY_FILE names .*, which cannot be read/)
    expect(() => read({ WREN_MASTER_KEY: 'x', WREN_MASTER_KEY_FILE: file })).to.throw('are both set')
    rmSync(folder, { recursive: true })
  })
})

describe('secrets that lie in the database', () => {
  let harness: Harness
  // Secrets outlast the people of a demo world: each test begins without any, and leaves none to the next file.
  const forget = (): Promise<unknown> => harness.db.query('DELETE FROM secrets', { type: QueryTypes.DELETE })
  const start = async (options: Parameters<typeof startHarness>[0] = {}): Promise<void> => {
    harness = await startHarness(options)
    await forget()
  }
  afterEach(async () => {
    await forget()
    await harness.stop()
  })

  const kept = async (): Promise<readonly string[]> => {
    const secrets = await harness.db.query<{ secret: string }>('SELECT secret FROM secrets', { type: QueryTypes.SELECT })
    const people = await harness.db.query<{ secret: string }>(
      'SELECT second_secret AS secret FROM people WHERE second_secret IS NOT NULL',
      {
        type: QueryTypes.SELECT,
      },
    )
    return [...secrets, ...people].map((row) => row.secret)
  }
  const enrol = async (): Promise<string> => {
    const maren = await harness.signIn('maren', ['lead'])
    const secret = String((await maren.post('/api/session/second-factor', { password })).body['secret'])
    const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: harness.now })
    const confirmed = await maren.post('/api/session/second-factor/confirm', { code })
    expect(JSON.stringify(confirmed.body)).to.include('recovery')
    return secret
  }

  it('are wrapped from the first on where there is a key, and people come in by them', async () => {
    await start({ app: { master: createMasterKey(one) } })
    const secret = await enrol()
    const all = await kept()
    expect(all.length).to.be.greaterThan(2)
    for (const text of all) expect(text).to.match(/^wrapped1\./)
    harness.now += 60_000
    const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: harness.now })
    const answer = await request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'maren', password, code }),
    })
    expect(answer.status).to.equal(200)
  })

  it('of before there was a key are wrapped at the start; without the key, or with another, nothing starts', async () => {
    await start()
    await enrol()
    expect((await kept()).some((text) => text.startsWith('wrapped1.'))).to.equal(false)
    await wrapAtStart(harness.db, createMasterKey(one))
    expect((await kept()).every((text) => text.startsWith('wrapped1.'))).to.equal(true)
    await wrapAtStart(harness.db, createMasterKey(one))
    const failed = async (key: Buffer | null): Promise<string> =>
      wrapAtStart(harness.db, createMasterKey(key)).then(
        () => 'started',
        (error: Error) => error.message,
      )
    expect(await failed(null)).to.include('set WREN_MASTER_KEY')
    expect(await failed(two)).to.include('is not the key that wrapped')
  })

  it('are wrapped by another key, all or none, and laid plain again as the way back', async () => {
    await start({ app: { master: createMasterKey(one) } })
    await enrol()
    const rotate = (before: Buffer | null, now: Buffer | null): Promise<number> =>
      rotateSecrets(harness.db, { before, now, nowMs: harness.now, isRolling: false })
    const first = await kept()
    expect(
      await rotate(two, one).then(
        () => 'rotated',
        (error: Error) => error.message,
      ),
    ).to.include('is not the key that wrapped')
    expect(await kept()).to.deep.equal(first)
    expect(await rotate(one, two)).to.equal(first.length)
    expect(createMasterKey(two).unwrap('device', (await kept())[0] ?? '')).to.match(/^[0-9a-f]{64}$/)
    await rotate(two, null)
    expect((await kept()).some((text) => text.startsWith('wrapped1.'))).to.equal(false)
  })

  it('the keys of devices are made anew; those of before are told and taken for 14 days', async () => {
    await start()
    const ada = await harness.signIn('ada', ['clinician'])
    const opened = await openCase(ada)
    const author = { id: ada.personId, epoch: 0, roles: [] }
    const keysNow = () => createDeviceKeys(createSecretRepository(harness.db, createMasterKey(null)), () => harness.now)
    const before = await keysNow().keysOf(author, 'tablet', null)
    const event = {
      id: uuidv7(),
      stream: opened.caseStream,
      kind: 'note',
      v: newestVersion('note'),
      body: { text: 'sealed before' },
      at: new Date(harness.now).toISOString(),
      offsetMs: 0,
    }
    const sealed = Buffer.from(sealFor(before, { ticket: before.ticket, event }), 'base64')
    await rotateSecrets(harness.db, { before: null, now: null, nowMs: harness.now, isRolling: true })
    const rolled = keysNow()
    const after = await rolled.keysOf(author, 'tablet', null)
    expect(after.store).not.to.equal(before.store)
    expect(after.seal).not.to.equal(before.seal)
    expect(after.storeBefore).to.equal(before.store)
    expect(await rolled.open(sealed)).to.deep.include({ personId: ada.personId, isTooOld: false })
    harness.now += 15 * dayMs
    expect(await rolled.keysOf(author, 'tablet', null)).not.to.have.property('storeBefore')
    const late = await rolled.open(sealed).then(
      () => 'opened',
      (error: Error) => error.message,
    )
    expect(late).to.include('was not sealed for this server')
  })
})
