import type { CaseRecord } from '../../records/case'
import type { MovesUnder, SkinUnder } from '../../records/underneath'
import { caseKind } from '../kind'

export interface RemovedBody {
  readonly reason: string
  /** Left out by pages from before they were asked. */
  readonly skin?: SkinUnder
  readonly moves?: MovesUnder
  /** The case whose device went on in its place. */
  readonly replacedBy?: string
}

/** The device is off. */
export const removed = caseKind<RemovedBody>({
  nature: 'replacing',
  right: 'decide',
  fold: (record, { at, body: { skin, moves, replacedBy } }): CaseRecord => ({
    ...record,
    removedAt: at,
    ...(skin && moves ? { afterOff: { skin, moves } } : {}),
    ...(replacedBy ? { replacedBy } : {}),
  }),
  example: { reason: 'changed for a cast', skin: 'intact', moves: 'as-before' },
})
