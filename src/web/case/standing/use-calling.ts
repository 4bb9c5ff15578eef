import type { Standing, StandingCall } from '#core/model/standing'
import type { Callee } from '#contract/records/ward'
import type { PageRecord } from '#contract/records/page'
import { isPageAwaited } from '#ward/standing/escalation'
import { useCaseStore, type OpenCase } from '../../sync/case-store'
import { useOutbox } from '../../sync/outbox'

/** The call of a case as it is pressed, heard and answered. */
export interface Calling {
  readonly call: StandingCall
  /** Pages of this call. */
  readonly pages: readonly PageRecord[]
  /** Somebody pressed Call and no page has gone out since. */
  readonly isOnItsWay: boolean
  /** Whoever is called next: as the rota knew them last. */
  readonly next: Callee
  /** It is made by telephone: no pager is set up, or there is no line to it. */
  readonly isByTelephone: boolean
}

const somebody: Callee = { role: 'Nurse in charge', name: '' }

/** The call about what stands; null where nothing asks for one. */
export function useCalling({ record }: OpenCase, { call }: Pick<Standing, 'call'>): Calling | null {
  const base = useCaseStore((state) => state.base)
  const line = useOutbox((state) => state.line)
  if (!call) return null
  const pages = (record.pages ?? []).filter((page) => Date.parse(page.at) >= call.sinceMs)
  const callees = base?.callees ?? [somebody]
  const last = pages.at(-1)
  return {
    call,
    pages,
    isOnItsWay: isPageAwaited(record),
    next: callees[Math.min((last?.step ?? -1) + 1, callees.length - 1)] ?? somebody,
    isByTelephone: line === 'offline' || base?.hasPager === false,
  }
}
