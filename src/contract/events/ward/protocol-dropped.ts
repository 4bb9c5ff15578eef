import type { WardRecord } from '../../records/ward'
import { wardKind } from '../kind'
import type { DraftNamed } from './protocol-signed'

/** The draft is thrown away; what is in force stays. */
export const protocolDropped = wardKind<DraftNamed>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: ({ draft, ...record }): WardRecord => record,
  example: { draftedAt: '2027-01-12T08:00:00.000Z' },
})
