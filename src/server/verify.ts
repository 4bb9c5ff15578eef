import { connectDatabase } from './db/connect'
import { defineModels } from './db/models'
import { verifyDatabase } from './services/verify-database'

/** `wren verify`: proves the database that DATABASE_URL names; 0 when everything is as it was written, 1 when not, 2 when it cannot be read. */
async function main(): Promise<number> {
  const url = process.env['DATABASE_URL']
  if (!url) {
    process.stderr.write('Which database? Set DATABASE_URL, or start Zesty Wren with npm start: it is found then.\n')
    return 2
  }
  const db = connectDatabase(url)
  try {
    const { streams, events, lots, faults } = await verifyDatabase(db, defineModels(db))
    for (const { where, what } of faults) process.stderr.write(`${where}: ${what}\n`)
    const read = `${streams} streams with ${events} events, ${lots} lots`
    process.stdout.write(
      faults.length === 0
        ? `${read}: every chain is whole, every snapshot is what its events come to, the stock adds up.\n`
        : `${read}: ${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}.\n`,
    )
    return faults.length === 0 ? 0 : 1
  } catch (error) {
    process.stderr.write(`The database cannot be read: ${(error as Error).message}\n`)
    return 2
  } finally {
    await db.close()
  }
}

process.exitCode = await main()
