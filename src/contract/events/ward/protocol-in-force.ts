import type { WardRecord } from '../../records/ward'
import { localName } from '../../records/protocol'
import { wardKind } from '../kind'
import type { DraftNamed } from './protocol-signed'

/** The draft becomes the protocol by which new cases are planned; live cases keep theirs. */
export const protocolInForce = wardKind<DraftNamed>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: ({ draft, ...record }, { at, actorName: by }): WardRecord => {
    if (!draft) return record
    const { protocol, note, signed } = draft
    const versions = record.versions ?? []
    const next = { ...protocol, name: localName, version: versions.length + 1 }
    const signedBy = signed.map((one) => one.by)
    return { ...record, versions: [...versions, { protocol: next, note, at, by, draftedBy: draft.by, signedBy }] }
  },
  example: { draftedAt: '2027-01-12T08:00:00.000Z' },
})
