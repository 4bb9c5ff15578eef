import type { DraftNamed } from '#contract/events/ward/protocol-signed'
import type { WardRules } from '../rules'
import { draftMeant } from './draft'

export const rules: WardRules<DraftNamed> = {
  check: ({ body }, record) => void draftMeant(body, record),
}
