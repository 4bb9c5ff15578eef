import type { Transaction } from 'sequelize'
import type { Plan } from '#core/model/plan'
import type { EventInput } from '#contract/event'
import type { PlanBody } from '#contract/events/planning/plan'
import { protocolOf } from '#contract/records/case'
import { availableOf } from '#contract/records/store'
import { toClinicalCase } from '#ward/case/clinical-case'
import { reservationsOf } from '#ward/case/reservations'
import { ApiError } from '../../ground/api-error'
import { writeForCase } from '../../ledger/write-for-case'
import type { AppendDeps, CheckedPlan } from '../../ledger/writing'
import type { CaseRules, KeptOfCase } from '../rules'
import { settleReservations } from '../stock/settle-reservations'
import { isSamePlan } from './same-plan'

/** An accepted plan is planned again here before it is kept, and what it needs is set aside with it. */
export const rules: CaseRules<PlanBody> = { prepare: planAgain, after: setAside }

/**
 * Plans the case again, in a thread of its own; a plan that is unfinished or differs is refused with both.
 * @returns the versions that it was planned from
 * @throws ApiError 404, 409 `plan-differs`, 422 `pending-plan`, 503 when planning fails
 */
async function planAgain(deps: AppendDeps, input: EventInput): Promise<CheckedPlan> {
  const proposed = (input.body as { plan: Plan }).plan
  if (proposed.pending.length > 0) {
    throw new ApiError(422, 'pending-plan', 'The plan is still being worked out: wait for its last figures, then accept it.', {
      errors: [{ code: 'format', path: 'body/plan/pending', message: 'Figures are still pending: wait for them.' }],
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
 * Sets aside what an accepted plan needs, and lets go of what an earlier one had. What is gone stands on the case for a plan that waited on its
 * device, because late refusals never block care.
 * @throws ApiError 409 `out-of-stock` when something is gone: then nothing is kept
 */
async function setAside(deps: AppendDeps, { event, record, episode }: KeptOfCase<PlanBody>, transaction: Transaction): Promise<void> {
  const { store } = record
  if (!store) return settleReservations(deps, event, record.id, transaction)
  const gone: string[] = []
  await settleReservations(deps, event, record.id, transaction, store.placeId, async () => {
    const lines = await deps.stock.lines(store.placeId, transaction)
    return reservationsOf(event.body.plan, lines).filter(({ itemCode, count }) => {
      const line = lines.find((stocked) => stocked.itemCode === itemCode)
      const free = line ? availableOf(line, event.receivedAt.slice(0, 10)) : 0
      if (free >= count) return true
      if (!event.queued) throw outOfStock(line?.label ?? itemCode, free, store.placeName)
      gone.push(line?.label ?? itemCode)
      return false
    })
  })
  const locked = gone.length > 0 ? await deps.streams.lockCase(record.id, transaction) : null
  if (!locked) return
  const body = { place: store.placeName, items: gone }
  await writeForCase(deps, { locked, episode }, 'stock-gone', body, { ...event, at: event.receivedAt }, transaction)
}

function outOfStock(label: string, free: number, place: string): ApiError {
  return new ApiError(
    409,
    'out-of-stock',
    `${place}: ${free <= 0 ? `${label} is gone` : `only ${free} of ${label} ${free === 1 ? 'is' : 'are'} free`}. Take another place or size.`,
  )
}
