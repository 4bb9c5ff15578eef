import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { keyOf } from '../../src/server/people/count-tries'
import { verifyDatabase } from '../../src/server/services/verify-database'
import { defineModels } from '../../src/server/db/models'
import { request, startHarness, type Harness } from '../harness/server-harness'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('wren reset-access', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
    harness.now = Date.now()
    await harness.signIn('greta', ['admin'])
  })
  after(() => harness.stop())

  /** Beside the server of this process, which answers meanwhile: held up, it would lose the connections that wait. */
  const reset = async (...words: string[]): Promise<{ readonly status: number | null; readonly said: string }> => {
    const child = spawn(process.execPath, ['scripts/wren.mjs', 'reset-access', ...words], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: process.env['TEST_DATABASE_URL'] ?? '' },
    })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', (text: string) => (said += text))
    const [status] = (await once(child, 'close')) as [number | null]
    return { status, said }
  }

  it('lets an admin in by a code that is good once, and is kept as done at the machine', async () => {
    // Strangers are shut out at this address: whoever stands at the machine comes in all the same.
    await harness.db.query(
      `REPLACE INTO sign_in_failures (id, failures, until, wait_until, sign_in, address) VALUES (:id, 400, :later, :later, '', '127.0.0.1')`,
      { type: QueryTypes.INSERT, replacements: { id: keyOf('address', '127.0.0.1'), later: new Date(harness.now + 3_600_000) } },
    )
    const { status, said } = await reset('Greta')
    expect([status, said.includes('It is kept in their record')]).to.deep.equal([0, true])
    const code = /^[a-z2-9]{12}$/m.exec(said)?.[0] ?? ''
    const answer = await request(harness.address, '/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'greta', password: code }),
    })
    expect(answer.body).to.include({ mustChange: true })
    const rows = await harness.db.query<{ body: string; by: string }>(
      `SELECT body, actor_name AS \`by\` FROM events WHERE kind = 'access' ORDER BY version DESC LIMIT 1`,
      { type: QueryTypes.SELECT },
    )
    expect(rows[0]?.by).to.equal('At the machine')
    expect((await verifyDatabase(harness.db, defineModels(harness.db), [])).faults).to.deep.equal([])
  }).timeout(60_000)

  it('says in words whom it does not know, and changes nothing', async () => {
    expect(await reset('nobody')).to.deep.equal({ status: 2, said: 'Nobody signs in as nobody: check the spelling.\n' })
    expect((await reset()).said).to.include('NAME is what they sign in as')
    expect((await reset('a', 'b')).status).to.equal(2)
  }).timeout(60_000)
})
