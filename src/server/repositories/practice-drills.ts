import { QueryTypes, type Sequelize } from 'sequelize'
import type { DrillPost } from '#contract/api/practice'
import type { DrillResult } from '#contract/records/practice'
import type { DrillOutcome } from '#core/practice/drill/finish-drill'

/** Keeps nights of the drill that somebody finished, each once. */
export function createPracticeDrills(db: Sequelize) {
  return {
    async keep(id: string, person: string, at: Date, post: DrillPost, outcome: DrillOutcome): Promise<void> {
      await db.query(
        `INSERT IGNORE INTO practice_drills (id, person_id, at, night, seed, result) VALUES (:id, :person, :at, :night, :seed, :result)`,
        {
          type: QueryTypes.INSERT,
          replacements: {
            id,
            person,
            at,
            night: post.night,
            seed: post.seed,
            result: JSON.stringify({
              score: outcome.score.score,
              perfect: outcome.perfect.score,
              byList: outcome.byList.score,
              moves: post.moves,
              ...(post.endedAtMin === undefined ? {} : { endedAtMin: post.endedAtMin }),
            }),
          },
        },
      )
    },
    /** What these people finished, the newest first. */
    async of(people: readonly string[]): Promise<readonly DrillResult[]> {
      if (people.length === 0) return []
      const rows = await db.query<{
        id: string
        personId: string
        name: string
        at: Date
        night: string
        seed: string
        score: number
        perfect: number
        byList: number
        endedAtMin: number | null
      }>(
        `SELECT d.id, d.person_id AS personId, p.name, d.at, d.night, d.seed, JSON_VALUE(d.result, '$.score') AS score,
           JSON_VALUE(d.result, '$.perfect') AS perfect, JSON_VALUE(d.result, '$.byList') AS byList,
           JSON_VALUE(d.result, '$.endedAtMin') AS endedAtMin
         FROM practice_drills d JOIN people p ON p.id = d.person_id WHERE d.person_id IN (:people) ORDER BY d.at DESC LIMIT 500`,
        { type: QueryTypes.SELECT, replacements: { people } },
      )
      return rows.map(({ personId, name, at, score, perfect, byList, endedAtMin, ...row }) => ({
        ...row,
        person: { id: personId, name },
        at: new Date(at).toISOString(),
        score: Number(score),
        perfect: Number(perfect),
        byList: Number(byList),
        endedAtMin: endedAtMin === null ? null : Number(endedAtMin),
      }))
    },
  }
}

export type PracticeDrills = ReturnType<typeof createPracticeDrills>
