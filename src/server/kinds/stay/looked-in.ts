import type { LookedInBody } from '#contract/events/stay/looked-in'
import { createLooksIn } from '../../repositories/looks-in'
import type { StayRules } from '../rules'

export const rules: StayRules<LookedInBody> = {
  /** It opens the record from when the server has it, whatever the device's clock says. */
  async after(deps, { id, stream, actor, actorName, receivedAt, body }, transaction) {
    await createLooksIn(deps.db).keep(
      { eventId: id, episodeId: stream.id, personId: actor, personName: actorName, reason: body.reason, at: new Date(receivedAt) },
      transaction,
    )
  },
}
