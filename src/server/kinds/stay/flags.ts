import type { FlagsBody } from '#contract/events/stay/flags'
import type { StayRules } from '../rules'
import { isTakenAway } from '#contract/records/side-change'
import { checkAccepted } from './what-is-known'

export const rules: StayRules<FlagsBody> = {
  check({ body }, { stay, cases, actor }) {
    if (!isTakenAway(stay.flags, body.flags)) return
    checkAccepted(
      cases.filter((record) => record.removedAt === null),
      actor,
    )
  },
}
