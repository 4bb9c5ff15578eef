import type { Transaction } from 'sequelize'
import type { Measurement } from '#core/model/clinical-case'
import type { MovedInBody } from '#contract/events/moved-in'
import type { MovedOutBody } from '#contract/events/moved-out'
import { invalidInput } from '../ground/api-error'
import type { EventRepository } from '../repositories/events'

/**
 * A wrongly filed reading as it was taken: copied from the case that it was moved out of, whatever the sender says of it.
 * @param caseId the case that takes it in
 * @throws ApiError 422 when the reading is not there, or was not moved out to this case
 */
export async function copyMovedReading(
  events: EventRepository,
  caseId: string,
  { key, fromCase }: Pick<MovedInBody, 'key' | 'fromCase'>,
  transaction: Transaction,
): Promise<Measurement> {
  const there = await events.ofStream('case', fromCase, transaction)
  const taken = there.find((event) => event.id === key && (event.kind === 'reading' || event.kind === 'moved-in'))
  const isOut = there.some((event) => {
    if (event.kind !== 'moved-out') return false
    const out = event.body as MovedOutBody
    return out.key === key && out.toCase === caseId
  })
  if (!taken || !isOut) {
    throw invalidInput([
      {
        code: 'not-known',
        path: taken ? 'body/fromCase' : 'body/key',
        message: taken
          ? 'That case has not moved this reading here: move it out there first.'
          : 'There is no reading with this key in that case: look it up there.',
      },
    ])
  }
  const before = taken.kind === 'moved-in' ? (taken.body as MovedInBody).measurement : undefined
  return before ? { ...before, key } : { ...(taken.body as Measurement), key, at: taken.at, by: taken.actorName }
}
