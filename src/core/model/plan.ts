import type { Problem } from './problem'
import type { Decision } from './decision'
import type { Geometry } from './geometry'
import type { RollRun } from './roll-run'
import type { SlowTask } from './slow-task'
import type { Step, StepAngle } from './step'

export type CautionLevel = 'stop' | 'caution' | 'note'

/** A warning that stands where it bites: at decisions, at steps, or over the whole plan. */
export interface Caution {
  readonly level: CautionLevel
  readonly code: string
  /** Heat, an open gap, and what presses or drags skin: it goes on biting while the device is worn. */
  readonly lasts?: true
  /** A stop that is a floor of safety: nobody sets it aside, and nothing is overruled past it. */
  readonly isFloor?: true
  /** What to do or not to do. */
  readonly text: string
  readonly why: string
  readonly decisions: readonly string[]
  readonly steps: readonly string[]
  /** What raised it: the decisions it names, or its own code. */
  readonly from?: string
  /** The figure of the first decision that it names; null where that is none. */
  readonly figure?: number | null
  /** Set when a clinician set the caution aside: it stays visible with the reason. */
  readonly overruled?: { readonly reason: string; readonly by: string; readonly at: string }
}

export interface Material {
  readonly id: string
  readonly item: string
  readonly widthCm: number | null
  readonly lengthCm: number | null
  readonly rolls: number | null
  /** How many pieces, of what is counted and not rolled. */
  readonly pieces?: number
  readonly layers: number | null
  /** Anything else about it in words: where it goes, how many turns, what is wasted. */
  readonly note: string
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
  /** The angle that it asks about: a "yes" counts once that angle was read. */
  readonly reads?: StepAngle['id']
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
  /** Every roll as it is laid, in the order of laying; only where rolls are wound one by one. */
  readonly rolls?: readonly RollRun[]
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
