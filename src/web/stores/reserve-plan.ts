import type { Plan } from '#core/plan/plan'
import type { CaseRecord } from '#contract/case-record'
import { reservationsOf } from '#contract/store'
import { loadPlace, moveStock } from './stock-store'

/**
 * Sets aside what a plan needs at the place that the case takes from. What an earlier
 * plan of the case had set aside is let go first; when one thing is gone meanwhile, so is everything set aside so far.
 * @returns what stands against it in words, or null when everything is set aside or the case has no place
 */
export async function reservePlan(record: CaseRecord, plan: Plan): Promise<string | null> {
  if (!record.store) return null
  const { placeId, placeName } = record.store
  if (record.accepted) await moveStock(placeId, 'stock-released', { caseId: record.id })
  const answer = await loadPlace(placeId)
  if (!answer) return `${placeName} cannot be asked: nothing was set aside. Try again when there is a connection.`
  for (const { itemCode, count } of reservationsOf(plan, answer.lines)) {
    const failure = await moveStock(placeId, 'stock-reserved', { itemCode, count, caseId: record.id })
    if (failure) {
      await moveStock(placeId, 'stock-released', { caseId: record.id })
      return `${placeName}: ${failure}`
    }
  }
  return null
}
