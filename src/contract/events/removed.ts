import { caseKind } from './kind'

export interface RemovedBody {
  readonly reason: string
}

/** The device is off. */
export const removed = caseKind<RemovedBody>({
  nature: 'replacing',
  right: 'decide',
  fold: (record, { at }) => ({ ...record, removedAt: at }),
  example: { reason: 'changed for a cast' },
})
