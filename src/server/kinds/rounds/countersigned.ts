import type { CountersignedBody } from '#contract/events/rounds/countersigned'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** A clinician's name goes beside entries of a stay: all of them, or none. */
export const rules: StayRules<CountersignedBody> = {
  async after({ countersigns }, { stream, actor, actorName, receivedAt, body: { events } }, transaction) {
    const by = { id: actor, name: actorName, at: new Date(receivedAt) }
    const signed = await countersigns.sign(events, stream.id, by, transaction)
    if (signed === events.length) return
    refuse(
      'not-known',
      'body/events',
      'Some of these were signed meanwhile, or do not wait in this stay: look at the list again and sign what is left.',
    )
  },
}
