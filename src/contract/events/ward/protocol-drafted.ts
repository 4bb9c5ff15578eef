import type { WardRecord } from '../../records/ward'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { wardKind } from '../kind'

export interface ProtocolDraftedBody {
  readonly protocol: Protocol
  readonly note: string
}

/** A lead writes a protocol down: it is a draft until it is put in force. Whoever signed the one before signs again. */
export const protocolDrafted = wardKind<ProtocolDraftedBody>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: (record, { at, actorName: by, body: { protocol, note } }): WardRecord => ({
    ...record,
    draft: { protocol, note, at, by, signed: [] },
  }),
  example: { protocol: { ...defaultProtocol, numbers: { 'task-minutes.round': 8 } }, note: 'rounds timed in October' },
})
