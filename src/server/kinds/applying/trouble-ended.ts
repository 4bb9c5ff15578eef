import type { TroubleEndedBody } from '#contract/events/applying/trouble-ended'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'
import { isSlip, slipWords } from '../side/slip'

/** A trouble leaves nothing standing as a slip only where it was taken back at once; later a person ends it with a word, or a round does. */
export const rules: CaseRules<TroubleEndedBody> = {
  check({ body, at }, record) {
    if (!body.isSlip) return
    const trouble = record.troubles?.find((one) => one.id === body.troubleEvent)
    if (trouble && isSlip(trouble.at, at)) return
    refuse(
      'out-of-range',
      'body/isSlip',
      `It was reported more than ${slipWords} ago and is no slip any more: end it with a word, or look again in a round.`,
    )
  },
}
