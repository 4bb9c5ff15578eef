import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { LRUCache } from 'lru-cache'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import type { Caution } from '#core/model/plan'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { toClinicalCase } from '#ward/case/clinical-case'
import { inTransaction } from '../db/in-transaction'
import type { Clock } from '../ground/clock'
import type { Planner } from '../planning/planner'
import type { Changes } from '../repositories/changes'
import type { StreamRepository } from '../repositories/streams'
import { boardRowOf } from '../ledger/board-row'

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

/** What a plan warned of, and what it was made from. */
interface Planned {
  readonly from: string
  readonly live: readonly Caution[]
}

/** What a plan of a case is made of, in short. */
function fromOf(record: CaseRecord, episode: EpisodeRecord): string {
  const made = JSON.stringify([toClinicalCase(record, episode), protocolOf(record)])
  return createHash('sha1').update(made).digest('base64')
}

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
  const known = new LRUCache<string, Planned>({ max: mostRemembered })

  /**
   * The line is saved, and then whoever listens is told of it. Nothing is locked where it says so already.
   * @returns false where the case has moved on meanwhile, at this server or at another
   */
  const keep = async (caseId: string, episodeId: string, { from, live }: Planned): Promise<boolean> => {
    if (isDeepStrictEqual(await streams.liveCautionsOf(caseId), live)) return true
    return inTransaction(db, async (transaction) => {
      const episode = await streams.lockEpisode(episodeId, transaction)
      const found = await streams.lockCase(caseId, transaction)
      if (!episode || !found) return true
      if (fromOf(found.record, episode.record) !== from) return false
      await streams.saveBoardRow(caseId, boardRowOf(found.record, episode.record, live, clock()), transaction)
      await changes.note({ type: 'case', id: caseId }, found.version, transaction)
      return true
    })
  }

  const warningsOf = async (record: CaseRecord, episode: EpisodeRecord): Promise<readonly Caution[]> => {
    const { cautions } = await planner.doubts(toClinicalCase(record, episode), protocolOf(record))
    return JSON.parse(JSON.stringify(cautions.filter((caution) => caution.level !== 'note'))) as readonly Caution[]
  }

  const plan = async (caseId: string, isForced: boolean): Promise<void> => {
    if (stopping?.aborted) return
    try {
      const found = await streams.findCase(caseId)
      const episode = found && (await streams.findEpisode(found.record.episodeId))
      if (!found || !episode) return
      const from = fromOf(found.record, episode.record)
      const before = known.get(caseId)
      // What was planned from the same is not planned again; another server may have saved something else since.
      const planned = !isForced && before?.from === from ? before : { from, live: await warningsOf(found.record, episode.record) }
      known.set(caseId, planned)
      if (!(await keep(caseId, episode.record.id, planned))) void planOnce(caseId)
    } catch (error) {
      // What is left when the server stops is planned by the next one as it starts.
      if (stopping?.aborted) return
      log.error({ case: caseId, reason: (error as Error).name }, 'a case was kept, and could not be planned')
    }
  }

  // However many write to a case at once, it is planned once for what is running and once for all that came meanwhile.
  const running = new Map<string, { readonly now: Promise<void>; next: Promise<void> | null }>()
  const planOnce = (caseId: string, isForced = false): Promise<void> => {
    const entry = running.get(caseId)
    if (entry) return (entry.next ??= entry.now.then(() => begin(caseId, isForced)))
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
