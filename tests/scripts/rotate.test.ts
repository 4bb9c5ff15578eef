import { spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { startHarness, type Harness } from '../harness/server-harness'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('npm run rotate', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
    await harness.signIn('ada', ['clinician'])
  })
  after(async () => {
    await harness.db.query('DELETE FROM secrets', { type: QueryTypes.DELETE })
    await harness.stop()
  })

  const rotate = (env: Record<string, string>, ...words: string[]): { readonly status: number | null; readonly said: string } => {
    const url = process.env['TEST_DATABASE_URL'] ?? ''
    const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/rotate.mjs', ...words], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: url, ...env },
      encoding: 'utf8',
    })
    return { status, said: `${stdout}${stderr}` }
  }
  const kept = async (): Promise<readonly string[]> =>
    (await harness.db.query<{ secret: string }>('SELECT secret FROM secrets ORDER BY name', { type: QueryTypes.SELECT })).map(
      (row) => row.secret,
    )

  it('wraps, wraps by another key, rolls, and lays plain again', async () => {
    const [one, two] = [randomBytes(32).toString('base64'), randomBytes(32).toString('base64')]
    const before = await kept()
    expect(rotate({ WREN_MASTER_KEY: one }).said).to.include('2 secrets are wrapped by the new key.')
    expect((await kept()).every((text) => text.startsWith('wrapped1.'))).to.equal(true)
    expect(rotate({ WREN_MASTER_KEY_BEFORE: one, WREN_MASTER_KEY: two }).status).to.equal(0)
    const wrong = rotate({ WREN_MASTER_KEY_BEFORE: one, WREN_MASTER_KEY: two }, '--roll')
    expect(wrong).to.deep.include({ status: 2 })
    expect(wrong.said).to.include('is not the key that wrapped').and.to.include('Nothing was changed.')
    expect(rotate({ WREN_MASTER_KEY_BEFORE: two }).said).to.include('2 secrets are plain, as no key is set.')
    expect(await kept()).to.deep.equal(before)
    expect(rotate({}, '--roll').said).to.include('those of before are good for 14 days more')
    expect(await kept()).to.have.length(4)
  }).timeout(120_000)

  it('says in words what is missing, and changes nothing', async () => {
    const before = await kept()
    expect(rotate({}).said).to.include('Nothing to do: set WREN_MASTER_KEY to the new key')
    expect(rotate({ WREN_MASTER_KEY: 'short' }).said).to.include('WREN_MASTER_KEY must hold 32 bytes in base64')
    expect(rotate({}, '--rol').status).to.equal(2)
    expect(await kept()).to.deep.equal(before)
  }).timeout(60_000)
})
