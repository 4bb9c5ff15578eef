import type { RouteId } from '#contract/api/route-rights'
import type { Clock } from '../ground/clock'
import type { PatientReads } from '../repositories/patient-reads'
import type { Account } from '../repositories/people'

/** Reads of the same thing by the same person within it are kept as one. */
export const slotMs = 15 * 60_000

/** Keeps who reads what of a patient, before it is answered: what cannot be kept is not shown. */
export function createReadNoter(reads: Pick<PatientReads, 'keep'>, clock: Clock) {
  let slot = 0
  /** What this server has kept in the present quarter of an hour: a Board asks every few seconds. */
  let kept = new Set<string>()
  return async function noteRead(account: Pick<Account, 'id' | 'name'>, route: RouteId, subject: string): Promise<void> {
    const now = clock()
    const current = Math.floor(now / slotMs) * slotMs
    if (current !== slot) {
      slot = current
      kept = new Set()
    }
    const key = `${account.id} ${route} ${subject}`
    if (kept.has(key)) return
    await reads.keep({
      slot: new Date(current),
      personId: account.id,
      personName: account.name,
      route,
      subject: subject.slice(0, 36),
      firstAt: new Date(now),
    })
    kept.add(key)
  }
}
