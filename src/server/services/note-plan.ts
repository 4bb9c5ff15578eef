import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { LRUCache } from 'lru-cache'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Caution } from '#core/model/plan'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#contract/views/clinical-case'
import { inTransaction } from '../db/in-transaction'
import type { Clock } from '../ground/clock'
import type { Planner } from '../planning/planner'
import type { Changes } from '../repositories/changes'
import type { StreamRepository } from '../repositories/streams'
import { boardRowOf } from './board-row'

/**
 * Plans cases after what was written about them is kept and acknowledged, and brings what their plans warn of into their lines on the Board.
 * Planning may fail alone, and is logged. Nobody waits for it.
 */
export interface PlanNoter {
  /** A case was written to: it is planned where what its plan is made of has changed. */
  noteCase(caseId: string): void
  /** The same for every case of a stay. */
  noteStay(episodeId: string): void
  /** Plans every case of a stay anew, changed or not. */
  planStay(episodeId: string): Promise<void>
  /** Once nothing is being planned. */
  settled(): Promise<void>
}

/** Of so many cases it is remembered what they were planned from. */
const mostRemembered = 5_000

/** A noter over one database. */
export function createPlanNoter(deps: {
  readonly db: Sequelize
  readonly streams: StreamRepository
  readonly changes: Pick<Changes, 'note'>
  readonly planner: Planner
  readonly clock: Clock
  readonly log: Logger
  readonly stopping?: AbortSignal | undefined
}): PlanNoter {
  const { db, streams, changes, planner, clock, log, stopping } = deps
  const plannedFrom = new LRUCache<string, string>({ max: mostRemembered })

  /** The line is saved, and then whoever listens is told of it. Nothing is locked where it says so already. */
  const keep = async (caseId: string, episodeId: string, cautions: readonly Caution[]): Promise<void> => {
    const live = JSON.parse(JSON.stringify(cautions)) as readonly Caution[]
    if (isDeepStrictEqual(await streams.liveCautionsOf(caseId), live)) return
    await inTransaction(db, async (transaction) => {
      const episode = await streams.lockEpisode(episodeId, transaction)
      const found = await streams.lockCase(caseId, transaction)
      if (!episode || !found) return
      await streams.saveBoardRow(caseId, boardRowOf(found.record, episode.record, live, clock()), transaction)
      await changes.note({ type: 'case', id: caseId }, found.version, transaction)
    })
  }

  const plan = async (caseId: string, isForced: boolean): Promise<void> => {
    if (stopping?.aborted) return
    try {
      const found = await streams.findCase(caseId)
      const episode = found && (await streams.findEpisode(found.record.episodeId))
      if (!found || !episode) return
      const [clinicalCase, protocol] = [toClinicalCase(found.record, episode.record), protocolOf(found.record)]
      const from = createHash('sha1')
        .update(JSON.stringify([clinicalCase, protocol]))
        .digest('base64')
      if (!isForced && plannedFrom.get(caseId) === from) return
      const { cautions } = await planner.doubts(clinicalCase, protocol)
      await keep(
        caseId,
        episode.record.id,
        cautions.filter((one) => one.level !== 'note'),
      )
      plannedFrom.set(caseId, from)
    } catch (error) {
      // What is left when the server stops is planned by the next one as it starts.
      if (stopping?.aborted) return
      log.error({ case: caseId, reason: (error as Error).name }, 'a case was kept, and could not be planned')
    }
  }

  // However many write to a case at once, it is planned once for what is running and once for all that came meanwhile.
  const running = new Map<string, { readonly now: Promise<void>; next: Promise<void> | null }>()
  const planOnce = (caseId: string, isForced = false): Promise<void> => {
    const known = running.get(caseId)
    if (known) return (known.next ??= known.now.then(() => begin(caseId, isForced)))
    return begin(caseId, isForced)
  }
  const begin = (caseId: string, isForced: boolean): Promise<void> => {
    const entry = { now: plan(caseId, isForced), next: null as Promise<void> | null }
    running.set(caseId, entry)
    void entry.now.finally(() => {
      if (running.get(caseId) === entry && entry.next === null) running.delete(caseId)
    })
    return entry.now
  }
  /** Stays whose cases are being looked up. */
  const looking = new Set<Promise<void>>()
  const planCases = async (episodeId: string, isForced: boolean): Promise<void> => {
    for (const caseId of await streams.caseIdsOf(episodeId)) await planOnce(caseId, isForced)
  }

  return {
    noteCase: (caseId) => void planOnce(caseId),
    noteStay(episodeId) {
      const work = planCases(episodeId, false)
        .catch((error: unknown) =>
          log.error({ stay: episodeId, reason: (error as Error).name }, 'the cases of a stay could not be planned'),
        )
        .finally(() => looking.delete(work))
      looking.add(work)
    },
    planStay: (episodeId) => planCases(episodeId, true),
    async settled() {
      while (running.size + looking.size > 0) {
        await Promise.all([...looking, ...[...running.values()].map((one) => one.next ?? one.now)])
        await new Promise((resolve) => setImmediate(resolve))
      }
    },
  }
}
