import type { Transaction } from 'sequelize'
import type { Plan } from '#core/model/plan'
import type { Problem } from '#core/model/problem'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { toClinicalCase } from '#contract/views/clinical-case'
import type { EventInput, StoredEvent } from '#contract/event'
import { availableOf } from '#contract/records/store'
import { reservationsOf } from '#contract/views/reservations'
import { ApiError } from '../ground/api-error'
import { isSamePlan } from './same-plan'
import { settleReservations } from './settle-reservations'
import type { AppendDeps, CheckedPlan } from './writing'

/**
 * Plans the case again on the server, in a thread of its own; a plan that is unfinished or differs is refused with both.
 * @returns the versions that it was planned from
 * @throws ApiError 404, 409 `plan-differs`, 422 `pending-plan`, 503 when planning fails
 */
export async function checkPlan(deps: AppendDeps, input: EventInput): Promise<CheckedPlan> {
  const proposed = (input.body as { plan: Plan }).plan
  if (proposed.pending.length > 0) {
    throw new ApiError(422, 'pending-plan', 'The plan is still being worked out: wait for its last figures, then accept it.', {
      errors: [{ code: 'format', path: 'body/plan/pending', message: 'Figures are still pending: wait for them.' } satisfies Problem],
    })
  }
  const found = await deps.streams.findCase(input.stream.id)
  if (!found) throw new ApiError(404, 'not-found', 'There is no case with this id: create it first.')
  const episode = await deps.streams.findEpisode(found.record.episodeId)
  if (!episode) throw new ApiError(404, 'not-found', 'The stay of this case is not known.')
  const checked = { caseVersion: found.version, episodeVersion: episode.version }
  // A stale one is refused below, with both sides, before anybody has planned for it.
  if (input.base !== found.version) return checked
  const own = await deps.planner.planWhole(toClinicalCase(found.record, episode.record), protocolOf(found.record))
  const plain = JSON.parse(JSON.stringify(own)) as Plan
  if (isSamePlan(plain, proposed)) return checked
  throw new ApiError(409, 'plan-differs', 'The server plans this case differently: reload it and look at the plan again.', {
    yours: proposed,
    current: plain,
  })
}

/**
 * Sets aside what an accepted plan needs, in the transaction that keeps it, and lets go of what an earlier one had. The case is locked.
 * @returns what is gone, in words, for a plan that waited on its device: late refusals never block care
 * @throws ApiError 409 `out-of-stock` when something is gone: then nothing is kept
 */
export async function reservePlan(
  deps: AppendDeps,
  event: StoredEvent,
  record: CaseRecord,
  transaction: Transaction,
): Promise<readonly string[]> {
  const { store } = record
  const plan = (event.body as { plan: Plan }).plan
  const gone: string[] = []
  await settleReservations(deps, event, record.id, transaction, store ? store.placeId : null, async () => {
    if (!store) return []
    const lines = await deps.stock.lines(store.placeId, transaction)
    const wanted = reservationsOf(plan, lines)
    return wanted.filter(({ itemCode, count }) => {
      const line = lines.find((one) => one.itemCode === itemCode)
      const free = line ? availableOf(line, event.receivedAt.slice(0, 10)) : 0
      if (free >= count) return true
      if (!event.queued) throw outOfStock(line?.label ?? itemCode, free, store.placeName)
      gone.push(line?.label ?? itemCode)
      return false
    })
  })
  return gone
}

function outOfStock(label: string, free: number, place: string): ApiError {
  return new ApiError(
    409,
    'out-of-stock',
    `${place}: ${free <= 0 ? `${label} is gone` : `only ${free} of ${label} ${free === 1 ? 'is' : 'are'} free`}. Take another place or size.`,
  )
}
