import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { StreamType } from '#contract/event'

/** A saved event or Board row. Its number is given before its commit: a lower one may come into sight later. */
export interface Change {
  readonly seq: number
  readonly type: string
  readonly id: string
  readonly version: number
}

/** Which database this is, up to which number lines were swept, and the greatest number there is. */
export interface ChangesHead {
  readonly lineage: string
  readonly swept: number
  readonly greatest: number
}

/** Old lines are of no use to anybody who listens: whoever was away for longer reads everything anew. */
const keptMin = 60

/** Notes what was saved, for whoever listens at any server. */
export function createChanges(db: Sequelize) {
  return {
    /** One line, in the transaction that saves. */
    async note(stream: { readonly type: StreamType; readonly id: string }, version: number, transaction: Transaction): Promise<void> {
      await db.query('INSERT INTO changes (stream_type, stream_id, version) VALUES (:type, :id, :version)', {
        type: QueryTypes.INSERT,
        replacements: { ...stream, version },
        transaction,
      })
    },

    /** Lines of many at once. */
    async noteMany(
      saved: readonly { readonly stream: { readonly type: StreamType; readonly id: string }; readonly version: number }[],
      transaction: Transaction,
    ): Promise<void> {
      await db.query('INSERT INTO changes (stream_type, stream_id, version) VALUES :rows', {
        type: QueryTypes.INSERT,
        replacements: { rows: saved.map(({ stream, version }) => [stream.type, stream.id, version]) },
        transaction,
      })
    },

    async head(): Promise<ChangesHead> {
      const [row] = await db.query<ChangesHead>(
        'SELECT l.id AS lineage, l.swept, GREATEST(l.swept, COALESCE((SELECT MAX(seq) FROM changes), 0)) AS greatest FROM lineage l LIMIT 1',
        { type: QueryTypes.SELECT },
      )
      if (!row) throw new Error('the database has no lineage: it was not migrated')
      return { lineage: row.lineage, swept: Number(row.swept), greatest: Number(row.greatest) }
    },

    /** Lines above a number, in the order of their numbers. */
    async after(seq: number, most: number): Promise<readonly Change[]> {
      const rows = await db.query<Change>(
        'SELECT seq, stream_type AS type, stream_id AS id, version FROM changes WHERE seq > :seq ORDER BY seq LIMIT :most',
        { type: QueryTypes.SELECT, replacements: { seq, most } },
      )
      return rows.map((row) => ({ ...row, seq: Number(row.seq) }))
    },

    /** Lets go of old lines, and remembers up to where. */
    async sweep(): Promise<void> {
      await db.transaction(async (transaction) => {
        const [oldest] = await db.query<{ seq: number | null }>(
          'SELECT MAX(seq) AS seq FROM changes WHERE noted_at < NOW(3) - INTERVAL :keptMin MINUTE',
          { type: QueryTypes.SELECT, replacements: { keptMin }, transaction },
        )
        if (!oldest?.seq) return
        await db.query('UPDATE lineage SET swept = GREATEST(swept, :seq)', {
          type: QueryTypes.UPDATE,
          replacements: { seq: oldest.seq },
          transaction,
        })
        await db.query('DELETE FROM changes WHERE seq <= :seq', {
          type: QueryTypes.DELETE,
          replacements: { seq: oldest.seq },
          transaction,
        })
      })
    },
  }
}

export type Changes = ReturnType<typeof createChanges>
