import { QueryTypes, type Sequelize } from 'sequelize'
import type { OwnStation } from '#contract/api/practice'
import type { PracticeGroup, PracticePerson } from '#contract/records/practice'
import type { Station } from '#core/practice/stations/station'

/** Keeps who learns together, and the stations that were made here. */
export function createPracticeGroups(db: Sequelize) {
  const write = async (sql: string, replacements: Record<string, unknown>): Promise<void> => {
    await db.query(sql, { type: QueryTypes.INSERT, replacements })
  }
  return {
    async groups(): Promise<readonly PracticeGroup[]> {
      const rows = await db.query<{ id: string; name: string; members: string }>(
        'SELECT id, name, members FROM practice_groups ORDER BY name',
        {
          type: QueryTypes.SELECT,
        },
      )
      const people = await db.query<PracticePerson>('SELECT id, name FROM people ORDER BY name', { type: QueryTypes.SELECT })
      return rows.map(({ id, name, members }) => {
        const ids = new Set(JSON.parse(members) as readonly string[])
        return { id, name, members: people.filter((person) => ids.has(person.id)) }
      })
    },
    /** Sets a group; without members it ends. */
    async set(group: { readonly id: string; readonly name: string; readonly members: readonly string[] }, by: string): Promise<void> {
      if (group.members.length === 0) return write('DELETE FROM practice_groups WHERE id = :id', { id: group.id })
      return write(
        `INSERT INTO practice_groups (id, name, members, set_by) VALUES (:id, :name, :members, :by)
         ON DUPLICATE KEY UPDATE name = :name, members = :members, set_by = :by`,
        { ...group, members: JSON.stringify(group.members), by },
      )
    },
    /** Stations that were made here and are offered, the newest first. */
    async stations(): Promise<readonly OwnStation[]> {
      const rows = await db.query<{ station: string; byId: string; byName: string; at: Date }>(
        `SELECT s.station, s.by_id AS byId, p.name AS byName, s.at FROM practice_stations s JOIN people p ON p.id = s.by_id
         WHERE s.dropped_at IS NULL ORDER BY s.at DESC`,
        { type: QueryTypes.SELECT },
      )
      return rows.map(({ station, byId, byName, at }) => ({
        station: JSON.parse(station) as Station,
        by: { id: byId, name: byName },
        at: new Date(at).toISOString(),
      }))
    },
    /** Keeps a station under its id; one that is there is made anew. */
    async keepStation(station: Station, by: string, at: Date): Promise<void> {
      await write(
        `INSERT INTO practice_stations (id, station, by_id, at) VALUES (:id, :station, :by, :at)
         ON DUPLICATE KEY UPDATE station = :station, by_id = :by, at = :at, dropped_at = NULL`,
        { id: station.id, station: JSON.stringify(station), by, at },
      )
    },
    /** It is no longer offered; what was done of it keeps its copy. */
    async dropStation(id: string, at: Date): Promise<void> {
      await write('UPDATE practice_stations SET dropped_at = :at WHERE id = :id', { id, at })
    },
  }
}

export type PracticeGroups = ReturnType<typeof createPracticeGroups>
