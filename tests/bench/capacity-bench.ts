import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { connectUnhurried } from '../../src/server/db/connect'
import { defineModels } from '../../src/server/db/models'
import { pastStays } from '../../src/server/demo/past-stays'
import { createEventRepository } from '../../src/server/repositories/events'
import { createStreamRepository } from '../../src/server/repositories/streams'
import { verifyDatabase } from '../../src/server/services/verify-database'
import { writeBulk, type BulkStay } from '../../src/server/writing/write-bulk'
import { root, startDurableServers, type DurableServers } from '../harness/durable-servers'
import { openCase, openClient, reading, type Client, type OpenedCase } from '../harness/server-harness'
import { idYearsBefore, repeatYear } from './repeat-year'
import { searches } from './history-bench'
import { percentiles, type Figure } from './figure'
import { isLong, sized } from './size'

/** Under `--long` ten years of a hospital with 50 000 stays a year. */
const years = sized(2, 2, 10)
const staysAYear = sized(5_000, 10, 50_000)
const live = sized(200, 3)
const atOnce = 500
const dayMs = 86_400_000

/**
 * A database that grows year by year, in earnest: what it weighs, what is slower over so much past, and how long its proof, its backup and
 * a start take at the end. Prints a line a year; the last year is what is judged.
 */
export async function benchCapacity(): Promise<readonly Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'wren-capacity-'))
  const durable = await startDurableServers(1, {}, folder)
  const server = durable.servers[0]!
  try {
    const client = await openClient(server.address, durable.lead.id, durable.lead.name, durable.lead.password)
    const lines = []
    for (let made = 0; made < live; made++) lines.push(await openCase(client))
    const emptyMb = megabytesOf(folder)
    const ids = await writeYear(durable)
    // A past that was made up today lies in days that the server had sealed.
    await durable.db.query('DELETE FROM audit_anchors', { type: QueryTypes.DELETE })
    const proofAt = performance.now()
    const verdict = await verifyDatabase(durable.db, defineModels(durable.db))
    if (verdict.faults.length > 0) throw new Error(`The proof found ${JSON.stringify(verdict.faults.slice(0, 3))}`)
    const proofS = (performance.now() - proofAt) / 1_000
    const unhurried = connectUnhurried(durable.url)
    let looks = await lookAround(client, ids, lines[0]!.caseStream)
    say(1, folder, looks)
    for (let year = 2; year <= years; year++) {
      await repeatYear(unhurried, ids, year - 1)
      looks = await lookAround(
        client,
        ids.map((id) => idYearsBefore(id, year - 1)),
        lines[0]!.caseStream,
      )
      say(year, folder, looks)
    }
    await unhurried.close()
    const stays = years * staysAYear
    const kB = ((megabytesOf(folder) - emptyMb) * 1_000) / stays
    await server.kill()
    const startedAt = performance.now()
    await server.start()
    const backS = (performance.now() - startedAt) / 1_000
    const backup = await backUp(durable.url, folder)
    const over = `over ${stays} stays of ${verdict.events * years} events`
    return [
      { name: `database of a stay`, value: kB, unit: 'kB', limit: 100 },
      { name: `Board of ${live} live cases ${over}, 95th percentile`, value: looks.board, unit: 'ms', limit: 150 },
      { name: 'search of the history there, 95th percentile', value: looks.search, unit: 'ms', limit: 150 },
      { name: 'an ended record there, 95th percentile', value: looks.record, unit: 'ms', limit: 150 },
      { name: 'a write there, 95th percentile', value: looks.write, unit: 'ms', limit: 150 },
      { name: 'a killed server answers again there', value: backS, unit: 's', limit: 3 },
      { name: 'proof of the whole, for a million events', value: (proofS * 1e6) / verdict.events, unit: 's', limit: isLong ? 240 : 1_500 },
      {
        name: `backup of the whole (${backup.megabytes} MB), for a million events`,
        value: (backup.seconds * 1e6) / (verdict.events * years),
        unit: 's',
        limit: isLong ? 90 : 400,
      },
    ]
  } finally {
    await durable.stop()
  }
}

function say(year: number, folder: string, looks: Looks): void {
  const figures = Object.entries(looks).map(([name, ms]) => `${name} ${ms.toFixed(0)} ms`)
  console.log(`after ${year * staysAYear} stays: ${megabytesOf(folder)} MB, ${figures.join(', ')}`)
}

/** Writes the stays of the last year, chained and folded; returns ids of their cases in the order of time. */
async function writeYear({ db, lead }: DurableServers): Promise<readonly string[]> {
  const models = defineModels(db)
  const deps = { db, events: createEventRepository(db, models), streams: createStreamRepository(db, models) }
  const actors = [{ id: lead.id, name: lead.name, roles: ['clinician' as const] }]
  // Days ago at the latest: what is still to come is nobody's past.
  const stays = pastStays(staysAYear, { seed: 1, lastMs: Date.now() - 3 * dayMs, everyMs: (364 * dayMs) / staysAYear, actors })
  const ids: string[] = []
  for (let some: BulkStay[] = []; ;) {
    const next = stays.next()
    if (!next.done) some.push(next.value)
    if (some.length > 0 && (next.done || some.length === atOnce)) {
      await writeBulk(deps, some)
      ids.push(...some.map((one) => one.caseId))
      some = []
    }
    if (next.done) return ids.toReversed()
  }
}

type Looks = Readonly<Record<'board' | 'search' | 'record' | 'write', number>>

async function lookAround(client: Client, past: readonly string[], stream: OpenedCase['caseStream']): Promise<Looks> {
  const times = async (count: number, work: (turn: number) => Promise<{ readonly status: number }>): Promise<number> => {
    const took: number[] = []
    for (let turn = 0; turn < count; turn++) {
      const start = performance.now()
      const { status } = await work(turn)
      if (status !== 200) throw new Error(`answered ${status}`)
      took.push(performance.now() - start)
    }
    return percentiles(took.slice(Math.min(10, count - 1))).p95
  }
  return {
    board: await times(sized(110, 5), () => client.get('/api/board')),
    search: await times(sized(132, 5), (turn) => client.get(`/api/history?q=${encodeURIComponent(searches[turn % searches.length]!)}`)),
    record: await times(sized(60, 5), (turn) => client.get(`/api/cases/${past[turn % past.length]}`)),
    write: await times(sized(80, 5), (turn) => client.send(stream, 'reading', reading('calf-girth', 'left', 36 + (turn % 5)))),
  }
}

/** Writes a backup without its own proof, which is measured beside it. */
async function backUp(url: string, folder: string): Promise<{ readonly seconds: number; readonly megabytes: number }> {
  const into = join(folder, 'backups')
  const start = performance.now()
  const child = spawn(process.execPath, [join(root, 'scripts/backup.mjs'), '--quick'], {
    env: { ...process.env, DATABASE_URL: url, WREN_DATA: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let words = ''
  for (const from of [child.stdout, child.stderr]) from.on('data', (chunk: Buffer) => (words += chunk.toString()))
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve))
  if (code !== 0) throw new Error(`The backup ended with ${code}: ${words}`)
  return { seconds: (performance.now() - start) / 1_000, megabytes: megabytesOf(into) }
}

/** Size of a folder with all that lies under it. */
function megabytesOf(folder: string): number {
  const names = readdirSync(folder, { recursive: true, encoding: 'utf8' })
  return Math.round(names.reduce((sum, name) => sum + (statSync(join(folder, name), { throwIfNoEntry: false })?.size ?? 0), 0) / 1e6)
}
