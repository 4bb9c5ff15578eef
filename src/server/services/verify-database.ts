import { isDeepStrictEqual } from 'node:util'
import { QueryTypes, type Sequelize } from 'sequelize'
import type { StreamType } from '#contract/event'
import { foldCase, foldEpisode, foldVersion, foldWard } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { newWard } from '#contract/records/ward'
import type { EventRow, Models } from '../db/models'
import { toKept, type KeptEvent } from '../repositories/event-rows'
import { genesis } from '../repositories/streams'
import { chainHash } from '../ledger/chain-hash'
import { keptAnchors, wrongAnchors, type DayAnchor } from './day-anchor'

/** Something in a database that cannot be as it was written. */
export interface Fault {
  /** `case 01a2…`, `lot 01a2…` */
  readonly where: string
  readonly what: string
}

export interface Verdict {
  readonly streams: number
  readonly events: number
  readonly lots: number
  /** Anchors of days that were proved; of an older rule none is. */
  readonly anchors: number
  /** How many anchors from outside were compared with those here. */
  readonly compared: number
  /** Days of anchors from outside that a restored database cannot have. */
  readonly later: readonly string[]
  readonly faults: readonly Fault[]
}

/** Streams whose events are read at once. */
const atOnce = 200

const tables = [
  { type: 'episode', table: 'episodes', columns: ', snapshot, fold, snapshot_version AS snapshotVersion' },
  { type: 'case', table: 'cases', columns: ', snapshot, fold, snapshot_version AS snapshotVersion' },
  { type: 'ward', table: 'wards', columns: ', snapshot' },
  { type: 'person', table: 'people', columns: '' },
  { type: 'place', table: 'places', columns: '' },
] as const satisfies readonly { readonly type: StreamType; readonly table: string; readonly columns: string }[]

interface HeadRow {
  readonly id: string
  readonly version: number
  readonly headHash: string
  readonly snapshot?: string
  readonly fold?: number
  /** Up to which event the snapshot is written; the head without. */
  readonly snapshotVersion?: number
}

/**
 * Proves a whole database: every chain is unbroken from its beginning to its head, every snapshot is what its events come to, no event is
 * without its stream, every lot holds what its movements left, every movement has its event, every photo is the one that was kept, and every
 * day's anchor seals what was received before it. Reads only; in use what is written meanwhile may show as a fault, which a second look settles.
 * @param outside anchors as they were written outside of the database
 * @param isRestored it is a backup: anchors from outside that are later than its newest are of days that it cannot know
 */
export async function verifyDatabase(
  db: Sequelize,
  models: Models,
  outside: readonly DayAnchor[] = [],
  isRestored = false,
): Promise<Verdict> {
  const faults: Fault[] = []
  let [streams, events] = [0, 0]
  for (const { type, table, columns } of tables) {
    for (let after = ''; ;) {
      const heads = await db.query<HeadRow>(
        `SELECT id, version, head_hash AS headHash${columns} FROM ${table} WHERE id > :after ORDER BY id LIMIT ${atOnce}`,
        { type: QueryTypes.SELECT, replacements: { after } },
      )
      if (heads.length === 0) break
      after = heads.at(-1)?.id ?? ''
      const byStream = await eventsOfMany(
        models,
        type,
        heads.map((one) => one.id),
      )
      for (const head of heads) {
        const own = byStream.get(head.id) ?? []
        faults.push(...faultsOf(type, head, own))
        events += own.length
      }
      streams += heads.length
    }
  }
  const [counted] = await db.query<{ count: number }>('SELECT COUNT(*) AS count FROM events', { type: QueryTypes.SELECT })
  if (Number(counted?.count) !== events)
    faults.push({ where: 'events', what: `${Number(counted?.count) - events} belong to no stream that is there` })
  const lots = await lotFaults(db)
  const anchors = await keptAnchors(db)
  const newestMs = Date.parse(anchors.at(-1)?.day ?? '') || -Infinity
  const later = isRestored ? outside.filter(({ day }) => Date.parse(day) > newestMs) : []
  const compared = outside.filter((anchor) => !later.includes(anchor))
  faults.push(
    ...lots.faults,
    ...(await looseMovements(db)),
    ...(await changedPhotos(db)),
    ...(await wrongAnchors(db, anchors)).map((day) => ({ where: `anchor ${day}`, what: 'is not what was received before it comes to' })),
    ...compared
      .filter((anchor) => !anchors.some((kept) => isDeepStrictEqual({ ...kept }, { ...anchor })))
      .map(({ day }) => ({
        where: `anchor ${day}`,
        what: 'is not the one that was written outside',
      })),
  )
  return {
    streams,
    events,
    lots: lots.count,
    anchors: anchors.length,
    compared: compared.length,
    later: later.map(({ day }) => day),
    faults,
  }
}

async function eventsOfMany(
  models: Models,
  streamType: StreamType,
  ids: readonly string[],
): Promise<ReadonlyMap<string, readonly KeptEvent[]>> {
  const rows = (await models.events.findAll({
    where: { streamType, streamId: [...ids] },
    order: [
      ['streamId', 'ASC'],
      ['version', 'ASC'],
    ],
    raw: true,
  })) as unknown as EventRow[]
  const byStream = new Map<string, KeptEvent[]>()
  for (const row of rows) {
    const known = byStream.get(row.streamId)
    const event = toKept(row)
    if (known) known.push(event)
    else byStream.set(row.streamId, [event])
  }
  return byStream
}

function faultsOf(type: StreamType, head: HeadRow, events: readonly KeptEvent[]): readonly Fault[] {
  const where = `${type} ${head.id}`
  const broken = events.findIndex(
    (event, index) => event.version !== index + 1 || chainHash(events[index - 1]?.hash ?? genesis, event, event.rule) !== event.hash,
  )
  if (broken >= 0) return [{ where, what: `the chain breaks at event ${broken + 1} (${events[broken]?.kind})` }]
  const last = events.at(-1)
  if (head.version !== events.length || head.headHash !== (last?.hash ?? genesis))
    return [{ where, what: `its head says version ${head.version}, its events end at ${events.length}` }]
  return isSnapshotTrue(type, head, events) ? [] : [{ where, what: 'its snapshot is not what its events come to' }]
}

/** A snapshot of an older fold is folded again when it is read: it proves nothing. */
function isSnapshotTrue(type: StreamType, { id, version, snapshot, fold, snapshotVersion }: HeadRow, all: readonly KeptEvent[]): boolean {
  if (snapshot === undefined || (fold !== undefined && fold !== foldVersion)) return true
  const events = all.slice(0, snapshotVersion ?? version)
  const replayed =
    type === 'case'
      ? events.reduce<CaseRecord | null>((record, event) => foldCase(record, id, event), null)
      : type === 'episode'
        ? events.reduce<EpisodeRecord | null>((record, event) => foldEpisode(record, id, event), null)
        : events.reduce(foldWard, newWard)
  return isDeepStrictEqual(JSON.parse(snapshot), JSON.parse(JSON.stringify(replayed)))
}

async function lotFaults(db: Sequelize): Promise<{ readonly count: number; readonly faults: readonly Fault[] }> {
  const rows = await db.query<{ id: string; count: number; moved: string | number }>(
    `SELECT l.id, l.count, COALESCE(SUM(m.delta), 0) AS moved
     FROM lots l LEFT JOIN stock_movements m ON m.lot_id = l.id GROUP BY l.id, l.count`,
    { type: QueryTypes.SELECT },
  )
  const wrong = rows.filter((row) => row.count !== Number(row.moved) || row.count < 0)
  return {
    count: rows.length,
    faults: wrong.map((row) => ({ where: `lot ${row.id}`, what: `holds ${row.count}, its movements left ${row.moved}` })),
  }
}

/** Movements of stock whose event is not there. */
async function looseMovements(db: Sequelize): Promise<readonly Fault[]> {
  const rows = await db.query<{ id: number }>(
    'SELECT m.id FROM stock_movements m LEFT JOIN events e ON e.id = m.event_id WHERE e.id IS NULL ORDER BY m.id',
    { type: QueryTypes.SELECT },
  )
  return rows.map(({ id }) => ({ where: `movement ${id}`, what: 'belongs to no event' }))
}

async function changedPhotos(db: Sequelize): Promise<readonly Fault[]> {
  const rows = await db.query<{ id: string }>('SELECT id FROM photos WHERE BINARY SHA2(bytes, 256) <> BINARY sha256 ORDER BY id', {
    type: QueryTypes.SELECT,
  })
  return rows.map(({ id }) => ({ where: `photo ${id}`, what: 'is not the picture that was kept' }))
}
