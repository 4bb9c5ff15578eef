import type { RoundBody } from '#contract/events/rounds/round'
import type { Side } from '#core/model/vocabulary'
import type { RoundProps } from './round-frame'
import type { RoundColumn } from './round-grid'
import type { RoundEntries, RoundItem } from './round-items'
import type { LimbCell } from './round-limb'

/** A round of two limbs as it stands while it is entered, for whatever shows it. */
export interface RoundView {
  readonly round: RoundProps
  readonly watched: 'leg' | 'arm'
  readonly injured: Side
  readonly isBare: boolean
  /** What is asked of this patient now. */
  readonly items: readonly RoundItem[]
  readonly columns: readonly RoundColumn[]
  readonly entries: RoundEntries
  readonly findings: RoundBody['findings']
  /** Every cell as an item of what is judged. */
  readonly limbCells: readonly LimbCell[]
  openOf(column: RoundColumn): number
  put(changes: RoundEntries): void
}
