import { QueryTypes, type Sequelize } from 'sequelize'
import { coreVersion } from '#core/techniques/plan-case'

/** Which version of the rules has judged what was received, and until when. */
export function createJudgedRules(db: Sequelize) {
  return {
    /** Until when another version than this server's has paged about what it received, ms since the epoch; null where none ever did. */
    async judgedByOthersUntil(): Promise<number | null> {
      const [row] = await db.query<{ until: Date | string | null }>(
        'SELECT MAX(judged_until) AS until FROM judged_rules WHERE core <> :coreVersion',
        {
          type: QueryTypes.SELECT,
          replacements: { coreVersion },
        },
      )
      return row?.until ? new Date(row.until).getTime() : null
    },

    /** Notes that this server's rules have judged everything that was received until a moment. */
    async note(until: Date): Promise<void> {
      await db.query(
        `INSERT INTO judged_rules (core, judged_until) VALUES (:coreVersion, :until)
         ON DUPLICATE KEY UPDATE judged_until = GREATEST(judged_until, VALUES(judged_until))`,
        { type: QueryTypes.INSERT, replacements: { coreVersion, until } },
      )
    },

    /** Whether anything about a case or its stay was received after a moment. */
    async isHeardSince(caseId: string, moment: Date): Promise<boolean> {
      const rows = await db.query(
        `SELECT cases.id FROM cases JOIN episodes ON episodes.id = cases.episode_id
         WHERE cases.id = :caseId AND GREATEST(cases.updated_at, episodes.updated_at) > :moment`,
        { type: QueryTypes.SELECT, replacements: { caseId, moment } },
      )
      return rows.length > 0
    },
  }
}

export type JudgedRules = ReturnType<typeof createJudgedRules>
