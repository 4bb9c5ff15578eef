import { QueryTypes, type Sequelize } from 'sequelize'

/** A server that was heard of lately. */
export interface HeardServer {
  readonly id: string
  readonly host: string
  /** Its clock less the database's, ms. */
  readonly offsetMs: number
}

/** Who is on this database. All times are of the database's own clock. */
export function createServers(db: Sequelize) {
  return {
    /** The database's time, ms since the epoch. */
    async now(): Promise<number> {
      const [row] = await db.query<{ ms: string }>('SELECT ROUND(UNIX_TIMESTAMP(NOW(3)) * 1000) AS ms', { type: QueryTypes.SELECT })
      return Number(row?.ms)
    },
    /** The end of the last day that is sealed, ms since the epoch: nothing is received before it any more. Null before the first. */
    async sealedUntilMs(): Promise<number | null> {
      const [row] = await db.query<{ day: string | null }>('SELECT MAX(day) AS day FROM audit_anchors', { type: QueryTypes.SELECT })
      return row?.day ? Date.parse(`${row.day}T00:00:00.000Z`) : null
    },
    /** Notes that a server is there. */
    async beat({ id, host, offsetMs }: HeardServer): Promise<void> {
      await db.query(
        `INSERT INTO servers (id, host, heard_at, offset_ms) VALUES (:id, :host, NOW(3), :offsetMs)
         ON DUPLICATE KEY UPDATE heard_at = NOW(3), offset_ms = :offsetMs`,
        { type: QueryTypes.INSERT, replacements: { id, host, offsetMs } },
      )
    },
    /** Those that were heard of within so long. */
    async heardWithin(seconds: number): Promise<readonly HeardServer[]> {
      return db.query<HeardServer>(
        'SELECT id, host, offset_ms AS offsetMs FROM servers WHERE heard_at > NOW(3) - INTERVAL :seconds SECOND ORDER BY heard_at DESC',
        { type: QueryTypes.SELECT, replacements: { seconds } },
      )
    },
    /** A server leaves; whoever was killed is forgotten after a day. */
    async leave(id: string): Promise<void> {
      await db.query('DELETE FROM servers WHERE id = :id OR heard_at < NOW(3) - INTERVAL 1 DAY', {
        type: QueryTypes.DELETE,
        replacements: { id },
      })
    },
  }
}

export type Servers = ReturnType<typeof createServers>
