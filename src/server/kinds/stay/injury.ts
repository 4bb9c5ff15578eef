import type { InjuryBody } from '#contract/events/stay/injury'
import { isOtherPlace, isTakenAway } from '#contract/records/side-change'
import type { StayRules } from '../rules'
import { checkAccepted, checkReadAloud } from './what-is-known'

export const rules: StayRules<InjuryBody> = {
  check({ body: { injuryId, injury, reason } }, { stay, cases, actor }) {
    const known = stay.injuries[injuryId]
    const bound = cases.filter((record) => record.removedAt === null && record.injuryId === injuryId)
    const isOther = isOtherPlace(known, injury)
    if (isOther) checkReadAloud(bound, reason, actor)
    if (isOther || isTakenAway(known?.flags ?? [], injury.flags)) checkAccepted(bound, actor)
  },
}
