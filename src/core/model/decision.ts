import type { Side } from './vocabulary'
import type { SourceKind } from '../quantities/defaults'

export type DecisionValue = number | string | boolean | null | readonly number[]
export type DecisionUnit = 'cm' | 'deg' | 'min' | 'h' | 'kg' | 'N' | 'kPa' | '°C' | 'ratio' | 'layers' | 'strip' | 'rolls' | 'people'
export type DecisionStatus = 'ok' | 'caution' | 'stop'

/** One input of a decision: what it is, its figure, and where that figure came from. */
export interface WorkingLine {
  readonly label: string
  readonly value: DecisionValue
  readonly unit: string | null
  readonly side?: Side
  readonly at?: string
  readonly from: 'measured' | 'estimated' | 'default' | 'overruled' | 'computed' | 'option'
  /** The place on the lane (station, band or mark id) that this input stands for. */
  readonly where?: string
}

export interface Alternative {
  readonly value: DecisionValue
  readonly display: string
  readonly why: string
  readonly odds?: number
}

/** What was computed before a person replaced it, and who replaced it why. */
export interface Overruled {
  readonly computed: DecisionValue
  readonly computedDisplay: string
  readonly reason: string
  readonly by: string
  readonly at: string
}

/** A size along the dimension that governs it. */
export interface StripSize {
  readonly size: string
  /** Ends of its labelled range, cm. */
  readonly fromCm: number
  readonly toCm: number
  readonly odds: number
  readonly isInStock: boolean
  readonly isUsed: boolean
}

/** How sure a size is: the reading with its doubt, laid over the labelled ranges. */
export interface SizeStrip {
  /** What was measured, in words. */
  readonly dimension: string
  /** The reading with its allowance, cm. */
  readonly meanCm: number
  /** One standard deviation of the reading, and of the allowance for swelling, cm. */
  readonly readingSdCm: number
  readonly allowanceSdCm: number
  readonly sizes: readonly StripSize[]
  /** Measuring again with half the doubt would settle it. */
  readonly isSettledByRemeasuring: boolean
}

/** One output of a plan with everything needed to defend it. */
export interface Decision {
  readonly id: string
  readonly label: string
  /** The figure to act on, before rounding for show. */
  readonly value: DecisionValue
  readonly unit: DecisionUnit | null
  /** The value in words and metric figures. */
  readonly display: string
  readonly status: DecisionStatus
  readonly working: readonly WorkingLine[]
  /** The rule in words. */
  readonly formula: string
  /** Which school of practice was followed, when there are several. */
  readonly school: string | null
  readonly source: SourceKind
  readonly sd?: number
  readonly odds?: number
  readonly alternatives?: readonly Alternative[]
  /** For sizes and settings. */
  readonly strip?: SizeStrip
  readonly overruled?: Overruled
}
