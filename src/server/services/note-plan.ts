import { isDeepStrictEqual } from 'node:util'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Caution } from '#core/model/plan'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#contract/views/clinical-case'
import { inTransaction } from '../db/in-transaction'
import type { Clock } from '../ground/clock'
import type { Planner } from '../planning/planner'
import type { StreamRepository } from '../repositories/streams'
import type { Doubts } from '../workers/worker'
import { boardRowOf } from './board-row'

export interface PlanNoter {
  /**
   * Plans a case as it stands now and brings what the plan warns of into its line on the Board. What the case holds is kept by then:
   * planning may fail alone, and is logged.
   * @returns what is doubtful, or null where it could not be planned
   */
  noteCase(caseId: string): Promise<Doubts | null>
  /** The same for every case of a stay. */
  noteStay(episodeId: string): Promise<void>
}

/** A noter over one database. */
export function createPlanNoter(deps: {
  readonly db: Sequelize
  readonly streams: StreamRepository
  readonly planner: Planner
  readonly clock: Clock
  readonly log: Logger
}): PlanNoter {
  const { db, streams, planner, clock, log } = deps
  const keep = (caseId: string, episodeId: string, live: readonly Caution[]): Promise<void> =>
    inTransaction(db, async (transaction) => {
      const episode = await streams.lockEpisode(episodeId, transaction)
      const found = (await streams.lockCasesOf(episodeId, transaction)).find((one) => one.record.id === caseId)
      if (!episode || !found || isDeepStrictEqual(found.board.live, JSON.parse(JSON.stringify(live)))) return
      await streams.saveBoardRow(caseId, boardRowOf(found.record, episode.record, live, clock()), transaction)
    })
  const note = async (caseId: string): Promise<Doubts | null> => {
    try {
      const found = await streams.findCase(caseId)
      const episode = found && (await streams.findEpisode(found.record.episodeId))
      if (!found || !episode) return null
      const doubts = await planner.doubts(toClinicalCase(found.record, episode.record), protocolOf(found.record))
      const bearing = doubts.cautions.filter((one) => one.level !== 'note')
      await keep(caseId, episode.record.id, bearing)
      return doubts
    } catch (error) {
      log.error({ case: caseId, reason: (error as Error).name }, 'a case was kept, and could not be planned')
      return null
    }
  }
  // However many write to a case at once, it is planned once for what is running and once for all that came meanwhile.
  const running = new Map<string, { readonly now: Promise<Doubts | null>; next: Promise<Doubts | null> | null }>()
  const noteCase = (caseId: string): Promise<Doubts | null> => {
    const known = running.get(caseId)
    if (known) return (known.next ??= known.now.then(() => begin(caseId)))
    return begin(caseId)
  }
  const begin = (caseId: string): Promise<Doubts | null> => {
    const entry = { now: note(caseId), next: null as Promise<Doubts | null> | null }
    running.set(caseId, entry)
    void entry.now.finally(() => {
      if (running.get(caseId) === entry && entry.next === null) running.delete(caseId)
    })
    return entry.now
  }
  return {
    noteCase,
    async noteStay(episodeId) {
      for (const caseId of await streams.caseIdsOf(episodeId)) await noteCase(caseId)
    },
  }
}
