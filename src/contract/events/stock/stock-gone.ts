import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface StockGoneBody {
  /** Where it was to be taken from, in words. */
  readonly place: string
  /** What was gone there, in words. */
  readonly items: readonly string[]
}

/** A plan that was accepted without a line came when something of it was gone: written by the server, in the transaction that keeps the plan. */
export const stockGone = caseKind<StockGoneBody>({
  nature: 'additive',
  right: 'server',
  fold: (record, { at, body }): CaseRecord =>
    record.accepted ? { ...record, accepted: { ...record.accepted, gone: { ...body, at } } } : record,
  example: { place: 'Plaster room', items: ['plaster slab, 20 cm'] },
})
