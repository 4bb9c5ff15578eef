import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface PlanKeptBody {
  /** The mark of the change that was not taken. */
  readonly change: string
  /** What it would have changed, in words. */
  readonly words: readonly string[]
  readonly reason: string
}

/** A change of the plan that waited was not taken: what was accepted stays, for a reason. */
export const planKept = caseKind<PlanKeptBody>({
  nature: 'additive',
  right: 'decide',
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, kept: [...(record.kept ?? []), { ...body, at, by }] }),
  example: { change: '0f3a9c21', words: ['Slab width 12 cm → 13 cm'], reason: 'the swelling is going down' },
})
