import type { ActionId } from './action'

/** An action about what stands, done or not done. */
export interface ResponseEntry {
  readonly action: ActionId
  readonly outcome: 'done' | 'not-done'
  /** Why it was not done, or what else is to be known. */
  readonly why: string
}

/** A call about what stands: who was called, whether they were reached, what was said. */
export interface CallEntry {
  readonly to: string
  readonly isReached: boolean
  /** How they were reached, or tried. */
  readonly how: CallWay
  readonly said: string
}

/** How somebody is called: by the pager, by telephone, or they are at the bedside. */
export type CallWay = 'pager' | 'telephone' | 'bedside'

/** Something timed and signed. */
export interface Signed {
  /** Milliseconds since the epoch. */
  readonly atMs: number
  readonly by: string
}
