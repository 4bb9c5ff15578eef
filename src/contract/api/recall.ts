import type { BoardRow } from './board'

/** A patient whose device or material is of a lot. */
export interface RecalledCase {
  readonly row: BoardRow
  /** What of the lot was taken for it, or named as used; an incident alone names none. */
  readonly items: readonly string[]
  /** When it was first taken for the case, or reported, ISO 8601. */
  readonly at: string
  readonly by: string
  /** Whether the device of the case is on now. */
  readonly isOn: boolean
}

export interface RecallAnswer {
  readonly lot: string
  readonly cases: readonly RecalledCase[]
  readonly now: string
}
