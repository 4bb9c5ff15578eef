import type { ProtocolBody } from '#contract/events/planning/protocol'
import type { CaseRules } from '../rules'
import { checkKnownProtocol } from '../ward/known-protocol'

export const rules: CaseRules<ProtocolBody> = {
  async complete(deps, body, _at, transaction) {
    checkKnownProtocol(body.protocol, (await deps.streams.findWard(transaction)).record)
    return body
  },
}
