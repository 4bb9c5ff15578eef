import type { ReactNode } from 'react'
import type { Tone } from '../parts/tone-shape'

/** What may take the strip below the header, the first of them first. */
const sayingRanks = ['urgent', 'clock', 'not-sent', 'entry', 'review', 'line'] as const

/** One sentence that wants the strip below the header. */
export interface Saying {
  readonly key: string
  readonly rank: (typeof sayingRanks)[number]
  readonly tone: Tone
  readonly words: ReactNode
  /** What can be done about it at once. */
  readonly act?: ReactNode
  /** Opens all of it. */
  readonly onOpen?: () => void
}

/** The sentences in the order in which they take the strip; of one rank those that came first. */
export function inSayingOrder<One extends Pick<Saying, 'rank'>>(sayings: readonly One[]): readonly One[] {
  return sayings.toSorted((a, b) => sayingRanks.indexOf(a.rank) - sayingRanks.indexOf(b.rank))
}
