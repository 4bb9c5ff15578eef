import type { CaseStore } from '#contract/records/case'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules: CaseRules<CaseStore> = {
  async complete(deps, body, _at, transaction) {
    if (await deps.stock.findPlace(body.placeId, transaction)) return body
    return refuse('not-known', 'body/placeId', 'There is no such place: choose one from the list.')
  },
}
