import { caseKind } from './kind'

/** What is looked at when a device comes off: whether the skin is whole, and whether the limb moves and feels as before. */
export const skinsWhenOff = ['intact', 'red', 'broken', 'not-seen'] as const
export const movesWhenOff = ['as-before', 'less', 'not-tested'] as const

export interface RemovedBody {
  readonly reason: string
  /** Left out by pages from before they were asked. */
  readonly skin?: (typeof skinsWhenOff)[number]
  readonly moves?: (typeof movesWhenOff)[number]
  /** The case whose device went on in its place. */
  readonly replacedBy?: string
}

/** The device is off. */
export const removed = caseKind<RemovedBody>({
  nature: 'replacing',
  right: 'decide',
  fold: (record, { at, body: { skin, moves, replacedBy } }) => ({
    ...record,
    removedAt: at,
    ...(skin && moves ? { afterOff: { skin, moves } } : {}),
    ...(replacedBy ? { replacedBy } : {}),
  }),
  example: { reason: 'changed for a cast', skin: 'intact', moves: 'as-before' },
})
