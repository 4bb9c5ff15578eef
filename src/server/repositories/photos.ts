import { QueryTypes, type Sequelize } from 'sequelize'
import type { PhotoInfo } from '#contract/api/photo'

/** Reads and writes photos of cases. */
export function createPhotoRepository(db: Sequelize) {
  return {
    async add(photo: PhotoInfo & { caseId: string; sha256: string; bytes: Buffer }): Promise<void> {
      await db.query(
        'INSERT INTO photos (id, case_id, sha256, width, height, bytes, actor_name, at) VALUES (:id, :caseId, :sha256, :width, :height, :bytes, :by, :moment)',
        { type: QueryTypes.INSERT, replacements: { ...photo, moment: new Date(photo.at) } },
      )
    },
    /** The same picture, where this case has it already. */
    async findSame(caseId: string, sha256: string): Promise<PhotoInfo | null> {
      const rows = await db.query<Omit<PhotoInfo, 'at'> & { at: Date }>(
        'SELECT id, width, height, actor_name AS `by`, at FROM photos WHERE case_id = :caseId AND sha256 = :sha256 LIMIT 1',
        { type: QueryTypes.SELECT, replacements: { caseId, sha256 } },
      )
      return rows[0] ? { ...rows[0], at: new Date(rows[0].at).toISOString() } : null
    },
    async ofCase(caseId: string): Promise<readonly PhotoInfo[]> {
      const rows = await db.query<Omit<PhotoInfo, 'at'> & { at: Date }>(
        'SELECT id, width, height, actor_name AS `by`, at FROM photos WHERE case_id = :caseId ORDER BY at',
        { type: QueryTypes.SELECT, replacements: { caseId } },
      )
      return rows.map((row) => ({ ...row, at: new Date(row.at).toISOString() }))
    },
    /** The case that a photo belongs to; null where there is none. */
    async caseOf(id: string): Promise<string | null> {
      const rows = await db.query<{ caseId: string }>('SELECT case_id AS caseId FROM photos WHERE id = :id', {
        type: QueryTypes.SELECT,
        replacements: { id },
      })
      return rows[0]?.caseId ?? null
    },
    async bytesOf(id: string): Promise<Buffer | null> {
      const rows = await db.query<{ bytes: Buffer }>('SELECT bytes FROM photos WHERE id = :id', {
        type: QueryTypes.SELECT,
        replacements: { id },
      })
      return rows[0]?.bytes ?? null
    },
  }
}

export type PhotoRepository = ReturnType<typeof createPhotoRepository>
