import { appendFile, readFile } from 'node:fs/promises'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Clock } from '../ground/clock'
import { anchorOf, keepAnchor, keptAnchors, type DayAnchor } from '../services/day-anchor'

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
  isTrusted = () => true,
  log,
  file,
}: {
  readonly db: Sequelize
  /** The database's, by which the day is over. */
  readonly clock: Clock
  /** Whether what this server receives bears the database's time: a day is sealed by no other. */
  readonly isTrusted?: () => boolean
  readonly log: Logger
  readonly file: string | null
}): AnchorKeeper {
  /** Writes what the file lacks since its last line, so that a day on which it could not be written is there all the same. */
  async function catchUp(to: string): Promise<void> {
    const written = (await readFile(to, 'utf8').catch(() => '')).trimEnd()
    const lastLine = written.slice(written.lastIndexOf('\n') + 1)
    const lastMs = lastLine === '' ? -Infinity : Date.parse((JSON.parse(lastLine) as DayAnchor).day)
    const missing = (await keptAnchors(db)).filter((anchor) => Date.parse(anchor.day) > lastMs)
    if (missing.length > 0) await appendFile(to, missing.map((anchor) => `${JSON.stringify(anchor)}\n`).join(''))
  }
  return {
    async tick() {
      const day = new Date(clock() - afterMidnightMs).toISOString().slice(0, 10)
      try {
        const last = (await keptAnchors(db)).at(-1) ?? null
        if (isTrusted() && (!last || Date.parse(last.day) < Date.parse(day))) await keepAnchor(db, await anchorOf(db, day, last))
        if (file !== null) await catchUp(file)
      } catch (error) {
        log.error({ day, reason: (error as Error).name }, 'the anchor of the day could not be kept')
      }
    },
  }
}
