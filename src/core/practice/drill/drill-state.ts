import type { LimbFindings } from '../../model/observation'
import type { HiddenBody } from './draw-body'
import type { BodyState } from './hidden-body'
import type { BedRecord } from './judge-bed'
import type { Night } from './nights'
import type { Shown } from './show-findings'

/** What a player does, at a minute of the night. */
export type Move = { readonly atMin: number; readonly bed: number } & (
  | { readonly kind: 'look'; readonly wakes: boolean }
  | { readonly kind: 'record'; readonly analgesia: boolean; readonly limbs: readonly LimbFindings[] }
  | { readonly kind: 'open' | 'raise' | 'relieve' | 'cord' | 'check' | 'call' }
)
export const moveKinds = ['look', 'record', 'open', 'raise', 'relieve', 'cord', 'check', 'call'] as const satisfies readonly Move['kind'][]

/** Something of the night, for the log and the replay. */
export interface NightEntry {
  readonly atMin: number
  readonly bed: number
  readonly kind: Move['kind'] | 'rings' | 'senior'
  readonly text: string
}

/** What was shown at a look, and whether it was urgent. */
export interface ShownLook extends Shown {
  readonly atMin: number
  readonly isUrgent: boolean
}

/** One bed as the night has left it. `body`, `state` and `history` are what nobody sees before the end. */
export interface Bed {
  readonly body: HiddenBody
  readonly state: BodyState
  readonly record: BedRecord
  /** The last look that is not written down yet. */
  readonly look: ShownLook | null
  readonly history: readonly { readonly atMin: number; readonly pressureKPa: number }[]
  readonly tally: BedTally
}

/** What counts in the end, of one bed. */
export interface BedTally {
  readonly aboveMin: number
  readonly unanswered: number
  readonly needless: number
  readonly late: number
}

export interface DrillState {
  readonly night: Night
  readonly seed: string
  readonly atMin: number
  /** Where the player stands; 0 is the desk. */
  readonly where: number
  readonly beds: readonly Bed[]
  readonly log: readonly NightEntry[]
  readonly isOver: boolean
}
