import type { MovedOutBody } from '#contract/events/case/moved-out'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules: CaseRules<MovedOutBody> = {
  async complete(deps, body, _at, transaction) {
    if (await deps.streams.findCase(body.toCase, transaction)) return body
    return refuse('not-known', 'body/toCase', 'There is no such case: look it up on the Board.')
  },
}
