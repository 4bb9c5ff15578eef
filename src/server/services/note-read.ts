import type { RouteId } from '#contract/api/route-rights'
import type { Clock } from '../ground/clock'
import { hasNoRoom } from '../db/no-room'
import type { PatientRead, PatientReads } from '../repositories/patient-reads'
import type { Account } from '../repositories/people'
import type { SpooledReads } from './spooled-reads'

/** Reads of the same thing by the same person within it are kept as one. */
export const slotMs = 15 * 60_000

/**
 * Keeps who reads what of a patient, before it is answered: what cannot be kept is not shown. While the disk of the database is full it is kept on
 * the server's own, so that who works goes on reading, and caught up later, in the quarter of an hour in which that is.
 * @param spool null where there is no such disk
 */
export function createReadNoter(reads: Pick<PatientReads, 'keep'>, clock: Clock, spool: SpooledReads | null = null) {
  let slot = 0
  /** What this server has kept in the present quarter of an hour: a Board asks every few seconds. */
  let kept = new Set<string>()
  const slotOf = (atMs: number): number => Math.floor(atMs / slotMs) * slotMs
  const keep = async (read: PatientRead): Promise<void> => {
    try {
      await reads.keep(read)
    } catch (error) {
      if (!spool || !hasNoRoom(error)) throw error
      await spool.add(read).catch(() => {
        throw error
      })
    }
  }
  // A day that is sealed meanwhile takes nothing more: when it was read is said beside it.
  const catchUp = async (): Promise<number> =>
    (await spool?.catchUp((read) => reads.keep({ ...read, slot: new Date(slotOf(clock())) }))) ?? 0

  async function noteRead(account: Pick<Account, 'id' | 'name'>, route: RouteId, subject: string): Promise<void> {
    const now = clock()
    const current = slotOf(now)
    if (current !== slot) {
      slot = current
      kept = new Set()
    }
    const key = `${account.id} ${route} ${subject}`
    if (kept.has(key)) return
    await keep({
      slot: new Date(current),
      personId: account.id,
      personName: account.name,
      route,
      subject: subject.slice(0, 36),
      firstAt: new Date(now),
    })
    kept.add(key)
  }
  return { noteRead, catchUp }
}
