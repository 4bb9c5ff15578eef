import { caseKind } from './kind'

export interface SideChangedBody {
  /** Side, region and pattern before and after, in words. */
  readonly from: string
  readonly to: string
  readonly reason: string
}

/**
 * Side, region or pattern was changed after identity and side had been read aloud: acceptance ends, the run is held, and the device that is
 * on is reported to be on the wrong side, until identity is checked afresh.
 */
export const sideChanged = caseKind<SideChangedBody>({
  nature: 'additive',
  right: 'decide',
  fold: (record, { at, actorName: by, body }) => ({
    ...record,
    accepted: null,
    sideChange: { ...body, at, by, isOn: record.appliedAt !== null, checked: null },
  }),
  example: { from: 'LEFT ankle, malleolar fracture', to: 'RIGHT ankle, malleolar fracture', reason: 'read from the wrong film' },
})
