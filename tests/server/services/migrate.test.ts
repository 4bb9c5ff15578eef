import { spawn } from 'node:child_process'
import { createReadStream, readdirSync } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'
import { createGunzip } from 'node:zlib'
import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../../src/server/db/connect'
import { migrate } from '../../../src/server/db/migrate'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase } from '../../../src/server/services/verify-database'

const dumps = fileURLToPath(new URL('../../dumps', import.meta.url))

/** Databases as earlier versions left them, each with its demo world, named by the last migration that they had. */
describe('a database of an earlier version', function () {
  this.timeout(120_000)
  const url = process.env['TEST_DATABASE_URL'] ?? ''
  let db: Sequelize
  before(() => {
    db = connectDatabase(url)
  })
  after(async () => {
    await empty()
    await migrate(db)
    await db.close()
  })

  const empty = async (): Promise<void> => {
    const tables = (await db.query<Record<string, string>>('SHOW TABLES', { type: QueryTypes.SELECT })).map((row) => Object.values(row)[0]!)
    for (const table of tables) await db.query(`DROP TABLE \`${table}\``, { type: QueryTypes.RAW })
  }
  const load = async (file: string): Promise<void> => {
    const { hostname, port, username, password, pathname } = new URL(url)
    const args = ['--no-defaults', '--protocol=tcp', `--host=${hostname}`, `--port=${port}`, `--user=${username}`, pathname.slice(1)]
    const client = spawn('mariadb', args, { env: { ...process.env, MYSQL_PWD: password }, stdio: ['pipe', 'ignore', 'inherit'] })
    const ended = new Promise((resolve) => client.once('close', resolve))
    await pipeline(createReadStream(file), createGunzip(), client.stdin)
    expect(await ended).to.equal(0)
  }

  for (const name of readdirSync(dumps).filter((one) => one.endsWith('.sql.gz'))) {
    it(`${name.replace('.sql.gz', '')} is brought to this one with all that is in it, and its chains still hold`, async () => {
      await empty()
      await load(`${dumps}/${name}`)
      const [before] = await db.query<{ events: number }>('SELECT COUNT(*) AS events FROM events', { type: QueryTypes.SELECT })
      await migrate(db)
      const verdict = await verifyDatabase(db, defineModels(db))
      expect(verdict.faults).to.deep.equal([])
      expect(verdict.events).to.equal(Number(before?.events))
      expect(verdict.events).to.be.greaterThan(1_500)
      expect(verdict.lots).to.be.greaterThan(20)
      // Once is enough.
      await migrate(db)
    })
  }
})
