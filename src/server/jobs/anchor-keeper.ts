import { appendFile } from 'node:fs/promises'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Clock } from '../ground/clock'
import { anchorOf, keepAnchor, keptAnchors } from '../services/day-anchor'

/** What was received before midnight is committed by then. */
const afterMidnightMs = 5 * 60_000

export interface AnchorKeeper {
  /** Makes the anchor of today unless there is one, or it is too early for it. */
  tick(): Promise<void>
}

/**
 * Keeps one anchor a day (UTC) over everything that was received before it. Of several servers the first keeps it; the others find it there.
 * @param file where each new anchor is written too, outside of the database: who changes rows and anchors alike cannot change that
 */
export function createAnchorKeeper({
  db,
  clock,
  log,
  file,
}: {
  readonly db: Sequelize
  readonly clock: Clock
  readonly log: Logger
  readonly file: string | null
}): AnchorKeeper {
  return {
    async tick() {
      const day = new Date(clock() - afterMidnightMs).toISOString().slice(0, 10)
      try {
        const last = (await keptAnchors(db)).at(-1) ?? null
        if (last && Date.parse(last.day) >= Date.parse(day)) return
        const anchor = await anchorOf(db, day, last)
        if ((await keepAnchor(db, anchor)) && file !== null) await appendFile(file, `${JSON.stringify(anchor)}\n`)
      } catch (error) {
        log.error({ day, reason: (error as Error).name }, 'the anchor of the day could not be kept')
      }
    },
  }
}
