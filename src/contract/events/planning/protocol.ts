import type { CaseRecord } from '../../records/case'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { caseKind } from '../kind'

export interface ProtocolBody {
  /** A version that is or was in force. */
  readonly protocol: Protocol
}

/** A live case is moved to another version of the local protocol, on purpose. */
export const protocol = caseKind<ProtocolBody>({
  nature: 'replacing',
  right: 'manage-protocols',
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({ ...record, protocol: body.protocol }),
  example: { protocol: defaultProtocol },
})
