import { mayStandIn } from '#contract/rights'
import type { CountersignedBody } from '#contract/events/rounds/countersigned'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** A clinician's name goes beside entries of a stay: all of them, or none. */
export const rules: StayRules<CountersignedBody> = {
  async after({ countersigns, people }, { stream, actor, actorName, receivedAt, body: { events } }, transaction) {
    const roles = (await people.find(actor))?.roles ?? []
    const by = { id: actor, standsIn: mayStandIn(roles), name: actorName, at: new Date(receivedAt) }
    const signed = await countersigns.sign(events, stream.id, by, transaction)
    if (signed === events.length) return
    refuse(
      'not-known',
      'body/events',
      'Some of these were signed meanwhile, wait for somebody else’s own name, or do not wait in this stay: look at the list again and sign what is left.',
    )
  },
}
