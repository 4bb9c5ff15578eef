import { isDeepStrictEqual } from 'node:util'
import { guardsLoosened } from '#core/protocols/guards-loosened'
import type { DraftNamed } from '#contract/events/ward/protocol-signed'
import { guardSignatures, protocolInForce } from '#contract/records/protocol'
import { refuse } from '../refuse'
import type { WardRules } from '../rules'
import { checkDraft, draftMeant } from './draft'

/** A draft comes into force when it has no faults, changes something, and two leads signed what goes beyond a guarded figure. */
export const rules: WardRules<DraftNamed> = {
  check({ body }, record) {
    const draft = draftMeant(body, record)
    checkDraft(draft)
    const loosened = guardsLoosened(draft.protocol)
    if (loosened.length > 0 && draft.signed.length < guardSignatures) {
      refuse(
        'out-of-range',
        'draft',
        `${loosened.join('; ')}: this goes beyond a guarded figure. Two leads sign first, ${draft.signed.length} of ${guardSignatures} have.`,
      )
    }
    const { name, version } = protocolInForce(record)
    if (isDeepStrictEqual({ ...draft.protocol, name, version }, protocolInForce(record))) {
      refuse('format', 'draft', 'The draft changes nothing: change it, or put it away.')
    }
  },
}
