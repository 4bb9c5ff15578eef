import { parseArgs } from 'node:util'
import { connectDatabase } from './db/connect'
import { migrate } from './db/migrate'
import { systemClock } from './ground/clock'
import { heardWithinS } from './jobs/clock-check'
import { createServers } from './repositories/servers'
import { readMasterKey } from './ground/master-key'
import { rotateSecrets } from './services/rotate-secrets'

/**
 * `npm run rotate`: wraps the secrets of the database that DATABASE_URL names by the key of WREN_MASTER_KEY in place of the one of
 * WREN_MASTER_KEY_BEFORE. @returns 0 when that is done, 2 when nothing was changed
 */
async function main(): Promise<number> {
  try {
    const { values } = parseArgs({ options: { roll: { type: 'boolean' } } })
    const [before, now] = [readMasterKey(process.env, 'WREN_MASTER_KEY_BEFORE'), readMasterKey(process.env, 'WREN_MASTER_KEY')]
    if (!before && !now && !values.roll)
      throw new Error(
        'Nothing to do: set WREN_MASTER_KEY to the new key, WREN_MASTER_KEY_BEFORE to the one until now, or say --roll for new keys of devices.',
      )
    const db = connectDatabase(process.env['DATABASE_URL'] ?? '')
    try {
      await migrate(db)
      const there = await createServers(db).heardWithin(heardWithinS)
      if (there.length > 0)
        throw new Error(
          `A server is connected (${there.map((server) => server.host).join(', ')}): stop it first, since it would go on by the keys of before.`,
        )
      const count = await rotateSecrets(db, { before, now, nowMs: systemClock(), isRolling: values.roll === true })
      const how = now ? 'wrapped by the new key' : 'plain, as no key is set'
      process.stdout.write(`${count} ${count === 1 ? 'secret is' : 'secrets are'} ${how}.\n`)
      if (values.roll) process.stdout.write('The keys of devices are new; those of before are good for 14 days more.\n')
    } finally {
      await db.close()
    }
    return 0
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\nNothing was changed.\n`)
    return 2
  }
}

process.exitCode = await main()
