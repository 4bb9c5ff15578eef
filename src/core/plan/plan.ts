import type { Side } from '../case/vocabulary'
import type { Problem } from '../case/problem'
import type { Decision } from './decision'
import type { SlowTask } from './slow-task'
import type { StepAngle, StepPull, StepStraps, StepTimer } from './step-work'

export type CautionLevel = 'stop' | 'caution' | 'note'

/** A warning that stands where it bites: at decisions, at steps, or over the whole plan. */
export interface Caution {
  readonly level: CautionLevel
  readonly code: string
  /** What to do or not to do. */
  readonly text: string
  readonly why: string
  readonly decisions: readonly string[]
  readonly steps: readonly string[]
  /** Set when a clinician set the caution aside: it stays visible with the reason. */
  readonly overruled?: { readonly reason: string; readonly by: string; readonly at: string }
}

export interface Material {
  readonly id: string
  readonly item: string
  readonly widthCm: number | null
  readonly lengthCm: number | null
  readonly rolls: number | null
  readonly layers: number | null
  /** Anything else about it in words: where it goes, how many turns, what is wasted. */
  readonly note: string
}

/** Where a pair of hands is needed: at the work, or holding the limb, or fetching. */
export type HandPlace = 'apply' | 'hold-distal' | 'hold-joint' | 'hold-proximal' | 'fetch'

/** One step of the application. */
export interface Step {
  readonly id: string
  readonly text: string
  readonly why: string
  /** The mistake that this step prevents. */
  readonly prevents: string
  /** Steps that must come before. */
  readonly after: readonly string[]
  readonly hands: readonly HandPlace[]
  /** A hold that lasts from the start of one step to the end of another. */
  readonly holds: { readonly from: string; readonly to: string; readonly place: HandPlace } | null
  /** Least, likely and most minutes. */
  readonly minutes: readonly [number, number, number]
  /** Falls between wetting and set. */
  readonly wet: boolean
  /** Things to fetch, one by one, for the step that lays out. */
  readonly items?: readonly string[]
  /** The timer that its end starts. */
  readonly timer?: StepTimer
  /** Further timers: those that start when it comes up, and those that are asked for. */
  readonly moreTimers?: readonly StepTimer[]
  /** Angles to hold, with their bands. */
  readonly angles?: readonly StepAngle[]
  /** A pull to take. */
  readonly pull?: StepPull
  /** Straps to close. */
  readonly straps?: StepStraps
  /** What has to be there before it can be confirmed, and where to enter it. */
  readonly waitsFor?: string
  /** Must be confirmed with its own button, in these words; never by Space or a pedal. */
  readonly confirm?: string
  /** Done only when planned: passing it by needs no reason. */
  readonly optional?: boolean
  /** First on the patient's own body: identity and side come before it. */
  readonly onPatient?: boolean
  readonly cautions: readonly string[]
  /** Places on the lane (station, band or mark ids) that the step concerns. */
  readonly where: readonly string[]
}

export type ScheduleKind = 'round' | 'opening' | 'care' | 'weights' | 'review' | 'convert' | 'remove'

export interface ScheduleEntry {
  readonly id: string
  readonly kind: ScheduleKind
  /** Minutes from application. */
  readonly dueMin: number
  readonly graceMin: number
  readonly text: string
}

export interface FitTest {
  readonly id: string
  readonly text: string
  readonly why: string
  /** What to do when the test fails. */
  readonly remedy: string
  readonly where: readonly string[]
}

export interface GeometryAxis {
  readonly id: string
  readonly label: string
  readonly lengthCm: number
}
export interface GeometryStation {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly atCm: number
  readonly girthCm: number
  readonly from: 'measured' | 'estimated'
  readonly side?: Side
}
/** Something that lies along an axis: padding, a slab, a gap. Widths are unrolled, cm. */
export interface GeometryBand {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly kind: 'slab' | 'padding' | 'bandage' | 'no-go' | 'hold' | 'strap' | 'ring' | 'bar' | 'shell' | 'cut' | 'zone'
  readonly fromCm: number
  readonly toCm: number
  readonly decision: string | null
  /** For a cutting line: its course as cm along the axis and share of the depth from the back. */
  readonly line?: readonly (readonly [number, number])[]
}
export interface GeometryMark {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly kind: 'landmark' | 'pulse' | 'bone' | 'injury' | 'feeling'
  readonly atCm: number
}
/** A closed outline in cm; `role` says whether it is skin, slab or sheet. */
export interface GeometryPolygon {
  readonly id: string
  readonly label: string
  readonly role: 'sheet' | 'slab' | 'template'
  readonly points: readonly (readonly [number, number])[]
  readonly decision: string | null
}
export interface Geometry {
  readonly body: 'leg' | 'arm' | 'neck' | 'trunk' | 'none'
  readonly side?: Side
  /** The side that the readings were taken on when it differs from the side drawn. */
  readonly readFrom?: Side
  readonly angles: Readonly<Record<string, number>>
  readonly axes: readonly GeometryAxis[]
  readonly stations: readonly GeometryStation[]
  readonly bands: readonly GeometryBand[]
  readonly marks: readonly GeometryMark[]
  readonly polygons: readonly GeometryPolygon[]
}

export interface PlanVersions {
  readonly core: string
  readonly protocol: string
  readonly catalogue: string
}

/** What the core says about one case: computed in one go from the case and the context. */
export interface Plan {
  readonly format: 'zesty-wren/plan'
  readonly version: 1
  readonly technique: string
  readonly versions: PlanVersions
  readonly options: Readonly<Record<string, string | number>>
  readonly decisions: readonly Decision[]
  readonly materials: readonly Material[]
  readonly cautions: readonly Caution[]
  readonly procedure: { readonly steps: readonly Step[] }
  readonly fit: readonly FitTest[]
  readonly care: readonly string[]
  readonly schedule: readonly ScheduleEntry[]
  readonly geometry: Geometry
  readonly problems: readonly Problem[]
  /** Decisions still being computed elsewhere, with their inputs. Empty in a finished plan. */
  readonly pending: readonly SlowTask[]
}

/** 3 when a caution is a stop, else 2 when there are problems, else 0: the exit status of a plan. */
export function planExit(plan: Pick<Plan, 'cautions' | 'problems'>): 0 | 2 | 3 {
  if (plan.cautions.some((caution) => caution.level === 'stop')) return 3
  return plan.problems.length > 0 ? 2 : 0
}
