import { readFile } from 'node:fs/promises'
import { parseArgs } from 'node:util'
import { connectDatabase } from './db/connect'
import { migrate } from './db/migrate'
import { defineModels } from './db/models'
import type { DayAnchor } from './services/day-anchor'
import { verifyDatabase } from './services/verify-database'

/** `wren verify`: proves the database that DATABASE_URL names; 0 when everything is as it was written, 1 when not, 2 when it cannot be read. */
async function main(): Promise<number> {
  const url = process.env['DATABASE_URL']
  if (!url) return refuse('Which database? Set DATABASE_URL, or start Zesty Wren with npm start: it is found then.')
  let outside: readonly DayAnchor[]
  let isMigrating: boolean
  try {
    const { values } = parseArgs({ args: process.argv.slice(3), options: { anchors: { type: 'string' }, migrate: { type: 'boolean' } } })
    isMigrating = values.migrate === true
    outside = values.anchors === undefined ? [] : await readAnchors(values.anchors)
  } catch (error) {
    return refuse(
      `${(error as Error).message}\nwren verify [--migrate] [--anchors FILE]: FILE is what the server wrote at WREN_ANCHORS; --migrate brings an earlier version to this one first.`,
    )
  }
  const db = connectDatabase(url)
  try {
    // A backup of an earlier version is brought to this one before it is proved.
    if (isMigrating) await migrate(db)
    const { streams, events, lots, anchors, faults } = await verifyDatabase(db, defineModels(db), outside)
    for (const { where, what } of faults) process.stderr.write(`${where}: ${what}\n`)
    const read = `${streams} streams with ${events} events, ${lots} lots, ${anchors} anchors`
    process.stdout.write(
      faults.length === 0
        ? `${read}: every chain is whole, every snapshot is what its events come to, the stock adds up, every anchor holds.\n`
        : `${read}: ${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}.\n`,
    )
    return faults.length === 0 ? 0 : 1
  } catch (error) {
    return refuse(`The database cannot be read: ${(error as Error).message}`)
  } finally {
    await db.close()
  }
}

function refuse(why: string): number {
  process.stderr.write(`${why}\n`)
  return 2
}

/** One anchor a line, as the server writes them. */
async function readAnchors(file: string): Promise<readonly DayAnchor[]> {
  const lines = (await readFile(file, 'utf8')).split('\n').filter(Boolean)
  return lines.map((line, index) => {
    try {
      return JSON.parse(line) as DayAnchor
    } catch {
      throw new Error(`Line ${index + 1} of ${file} is not an anchor: the file must be as the server wrote it.`)
    }
  })
}

process.exitCode = await main()
