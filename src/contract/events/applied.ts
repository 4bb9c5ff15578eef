import { caseKind } from './kind'

export type AppliedBody = Readonly<Record<string, never>>

/** The device is on. */
export const applied = caseKind<AppliedBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at }) => ({ ...record, appliedAt: at }),
  example: {},
})
