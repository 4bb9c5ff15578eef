import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface SideChangedBody {
  /** Side, region and pattern before and after, in words. */
  readonly from: string
  readonly to: string
  readonly reason: string
  /** Side or limb is another one: what is on may be on the wrong one. */
  readonly isOtherLimb: boolean
}

/**
 * Side, region or pattern was changed after identity and side had been read aloud: acceptance ends, the run is held, and where something
 * may be on, somebody says which limb it is on, until identity is checked afresh.
 */
export const sideChanged = caseKind<SideChangedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    accepted: null,
    sideChange: { ...body, at, by, isOn: record.appliedAt !== null, checked: null },
  }),
  example: {
    from: 'LEFT ankle, malleolar fracture',
    to: 'RIGHT ankle, malleolar fracture',
    reason: 'read from the wrong film',
    isOtherLimb: true,
  },
})
