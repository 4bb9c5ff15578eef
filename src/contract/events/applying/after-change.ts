import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export const deviceChanges = ['trimmed', 're-seated', 'opened', 'tightened', 'transferred', 'theatre'] as const
/** Changes after which rounds begin again at their first line. */
export const roundRestarts: readonly (typeof deviceChanges)[number][] = ['transferred', 'theatre']

export interface AfterChangeBody {
  readonly what: (typeof deviceChanges)[number]
}

/** Something was changed on the device or the patient: what is read from now on is another occasion. */
export const afterChange = caseKind<AfterChangeBody>({
  nature: 'additive',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, changes: [...(record.changes ?? []), { ...body, at, by }] }),
  example: { what: 'trimmed' },
})
