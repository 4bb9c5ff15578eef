import { LRUCache } from 'lru-cache'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { FoldableEvent, StreamType } from '#contract/event'
import { foldVersion } from '#contract/events/fold'
import type { Models } from '../db/models'
import { eventsOf } from './event-rows'

/** Where a stream stands. */
export interface StreamHead {
  readonly version: number
  readonly headHash: string
}

/** A row of a stream without its snapshot, which is long and mostly remembered. */
export interface StreamRow extends StreamHead {
  readonly id: string
  readonly fold: number
  /** Up to which version its snapshot is written. */
  readonly snapshotVersion: number
  /** Characters of it. */
  readonly snapshotLength: number
}

/** What is read of a row, each with the name it has here. */
export const streamColumns = ['id', 'version', 'headHash', 'fold', 'snapshotVersion', 'snapshotLength'] as const

/** The same as SQL reads them. */
export const streamSelection =
  'id, version, head_hash AS headHash, fold, snapshot_version AS snapshotVersion, snapshot_length AS snapshotLength'

/** Columns of a snapshot that is written. */
export interface SnapshotColumns {
  readonly snapshot: string
  readonly snapshotVersion: number
  readonly snapshotLength: number
  readonly fold: number
}

/** Shorter ones are written with every event: that costs less than to fold what came since. */
const longLength = 32_000
/** So many events may come before that of a long record is written again. */
const mostSince = 32
/** Characters of snapshots whose records are remembered; a record takes a few bytes for each. */
const mostRemembered = 24_000_000
/** And so many of them: with a record goes what was worked out of it, which for a short one is many times as long. */
const mostRecords = 1_000

interface Remembered {
  readonly headHash: string
  readonly record: object
  readonly length: number
}

/**
 * Records of one kind of stream, as of a head. A record follows from the head of its chain, so that what was made once is remembered by it:
 * a head that another server wrote, or that was rolled back, has another hash.
 */
export function createSnapshots<R extends { readonly id: string }>(
  db: Sequelize,
  models: Models,
  { type, table, fold }: { type: StreamType; table: string; fold: (record: R | null, id: string, event: FoldableEvent) => R },
) {
  /** The latest of each stream; of another head it is no use. */
  const byStream = new LRUCache<string, Remembered>({
    max: mostRecords,
    maxSize: mostRemembered,
    sizeCalculation: ({ length }) => Math.max(1, length),
  })

  /** The record of a row by its snapshot and what came since; by its events alone where an older fold made that. */
  async function make(row: StreamRow, transaction?: Transaction): Promise<Remembered> {
    const { id, version } = row
    const inside = transaction ? { transaction } : {}
    const [kept] = await db.query<{ snapshot: string; snapshotVersion: number; fold: number }>(
      `SELECT snapshot, snapshot_version AS snapshotVersion, fold FROM ${table} WHERE id = :id`,
      { type: QueryTypes.SELECT, replacements: { id }, ...inside },
    )
    // One that was written meanwhile knows more than this row: then the events alone say what it was.
    const isUsable = kept !== undefined && kept.fold === foldVersion && kept.snapshotVersion <= version
    const from = isUsable ? kept.snapshotVersion : 0
    const base = isUsable ? (JSON.parse(kept.snapshot) as R) : null
    const events = from === version ? [] : await eventsOf(models, type, id, transaction, { after: from, upTo: version })
    const record = events.reduce<R | null>((current, event) => fold(current, id, event), base)
    return {
      headHash: row.headHash,
      record: record ?? (JSON.parse(kept?.snapshot ?? '{}') as R),
      length: Math.max(kept?.snapshot.length ?? 0, row.snapshotLength),
    }
  }

  /** A record as it is written. */
  function whole(record: R, { version, headHash }: StreamHead): SnapshotColumns {
    const snapshot = JSON.stringify(record)
    byStream.set(record.id, { headHash, record, length: snapshot.length })
    return { snapshot, snapshotVersion: version, snapshotLength: snapshot.length, fold: foldVersion }
  }

  return {
    /** The record of a row. */
    async recordOf(row: StreamRow, transaction?: Transaction): Promise<R> {
      const known = byStream.get(row.id)
      if (known?.headHash === row.headHash) return known.record as R
      const made = await make(row, transaction)
      byStream.set(row.id, made)
      return made.record as R
    },

    whole,

    /**
     * What of a record is written with its new head: its snapshot, unless that is long and was written not long ago.
     * @param before the row as it is locked; without one it is written
     */
    changed(record: R, head: StreamHead, before: StreamRow | undefined): Partial<SnapshotColumns> {
      const canWait =
        before !== undefined &&
        before.fold === foldVersion &&
        before.snapshotLength >= longLength &&
        head.version - before.snapshotVersion < mostSince
      if (!canWait) return whole(record, head)
      byStream.set(before.id, { headHash: head.headHash, record, length: before.snapshotLength })
      return {}
    },
  }
}
