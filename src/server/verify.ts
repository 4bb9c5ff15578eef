import { readFile } from 'node:fs/promises'
import { parseArgs } from 'node:util'
import { connectUnhurried } from './db/connect'
import { folderSchemas, refuseOtherSchemas } from './db/folder-schemas'
import { defineModels } from './db/models'
import type { DayAnchor } from './services/day-anchor'
import { verifyDatabase } from './services/verify-database'

/** `wren verify`: proves the database that DATABASE_URL names; 0 when everything is as it was written, 1 when not, 2 when it cannot be read. */
async function main(): Promise<number> {
  // For npm run restore: what a database of this version says of itself.
  if (process.argv[3] === '--schemas') return say(folderSchemas())
  const url = process.env['DATABASE_URL']
  if (!url) return refuse('Which database? Set DATABASE_URL, or start Zesty Wren with npm start: it is found then.')
  let outside: readonly DayAnchor[] | null
  let isRestored: boolean
  try {
    const { values } = parseArgs({
      args: process.argv.slice(3),
      options: { anchors: { type: 'string' }, restored: { type: 'boolean' } },
    })
    isRestored = values.restored === true
    outside = values.anchors === undefined ? null : await readAnchors(values.anchors)
    if (outside?.length === 0) throw new Error(`${values.anchors} holds no anchor: there is nothing to compare with.`)
  } catch (error) {
    return refuse(
      `${(error as Error).message}\nwren verify [--anchors FILE [--restored]]: FILE is what the server wrote at WREN_ANCHORS; --restored: a backup was put in, and days after it are not there.`,
    )
  }
  const db = connectUnhurried(url)
  try {
    await refuseOtherSchemas(db)
    const { streams, events, lots, anchors, compared, later, faults } = await verifyDatabase(
      db,
      defineModels(db),
      outside ?? [],
      isRestored,
    )
    for (const { where, what } of faults) process.stderr.write(`${where}: ${what}\n`)
    const read = `${streams} streams with ${events} events, ${lots} lots, ${anchors} anchors`
    process.stdout.write(
      faults.length === 0
        ? `${read}: every chain is whole, every snapshot is what its events come to, the stock adds up, every anchor holds.\n`
        : `${read}: ${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}.\n`,
    )
    if (outside) process.stdout.write(`${compared} of ${outside.length} anchors from outside were compared.\n`)
    if (later.length > 0)
      process.stdout.write(`${later.length} are later than this backup, from ${later[0]} on: they are of days that are not in it.\n`)
    return faults.length === 0 ? 0 : 1
  } catch (error) {
    return refuse(`The database cannot be read: ${(error as Error).message}`)
  } finally {
    await db.close()
  }
}

function say(words: string): number {
  process.stdout.write(`${words}\n`)
  return 0
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
