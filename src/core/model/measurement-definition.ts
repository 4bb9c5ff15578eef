import type { MeasurementKind } from '../quantities/reading-error'

/** Which side a reading is asked on and which side then counts. */
export type SideRule =
  /** The uninjured side; the injured one only with a caution. */
  | 'uninjured'
  /** A girth: the injured side while it is swollen, else the uninjured. */
  | 'swollen'
  /** The limb that wears the device. */
  | 'wearing'
  /** Read on both sides and compared. */
  | 'both'
  /** The body has one of it: no side. */
  | 'none'

export interface MeasurementDefinition {
  readonly id: string
  readonly label: string
  readonly kind: MeasurementKind
  /** Where the tape goes, in words. */
  readonly landmarks: string
  /** How the patient lies, sits or stands for it. */
  readonly posture: string
  readonly sideRule: SideRule
  /** Expected share of stature; null when stature says nothing about it. */
  readonly statureShare: number | null
  /** Under this share of the stature it is asked about, where the usual band is too wide to notice a slip. */
  readonly askedBelowShare?: number
  /** Left and right of one person may differ by so much, cm, where that is not the usual 1.5 of a length or 2 of a girth. */
  readonly sidesDifferCm?: number
  /** May be nought or below (a clearance, an offset); otherwise such readings are refused. */
  readonly signed?: boolean
  /** It moves from one look to the next (hinge, edge, gap, slack, angle): the latest reading counts, never a mean with an earlier one. */
  readonly moves?: boolean
  /** What it was read for, where its landmarks depend on an option: a reading taken for another one does not count. */
  readonly takenFor?: string
  /** For readings judged in words: the words that may be given. */
  readonly words?: readonly string[]
}
