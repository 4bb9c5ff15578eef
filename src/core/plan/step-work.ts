import type { Step } from './plan'

/** What a timer counts; each kind looks and sounds alike everywhere. */
export const timerKinds = ['wetting', 'set', 'hold', 'cure', 'cooling', 'limit', 'wait'] as const
export type TimerKind = (typeof timerKinds)[number]

/** A timer that belongs to a step. */
export interface StepTimer {
  readonly id: string
  readonly label: string
  readonly minutes: number
  readonly kind: TimerKind
  /** Starts by itself when the step comes up or when it is done; or only when it is asked for. */
  readonly starts: 'shown' | 'done' | 'asked'
  /** The step whose end makes it moot; without one it runs to its own end. */
  readonly until?: string
}

/** An angle to hold at a step, degrees; `lowDeg` to `highDeg` is the band that counts as held. */
export interface StepAngle {
  readonly id: 'ankle' | 'knee' | 'wrist' | 'foot-plane'
  readonly label: string
  readonly targetDeg: number
  readonly lowDeg: number
  readonly highDeg: number
}

/** A pull to take at a step. */
export interface StepPull {
  /** What the school expects, kg. */
  readonly expectedKg: number
  /** More than this is not pulled, kg. */
  readonly mostKg: number
  /** True when the pull ends where the pain eases, false when it ends at the figure. */
  readonly toRelief: boolean
  readonly school: string
}

export interface StepStrap {
  readonly id: string
  readonly label: string
  /** Loop left over when the fingers that the school wants lie under it, cm; null where no figure is decided. */
  readonly slackCm: number | null
}

/** Straps to close at a step; `given` binds their order to the list. */
export interface StepStraps {
  readonly order: 'given' | 'any'
  readonly straps: readonly StepStrap[]
}

/** Every timer of a step, the one that starts at its end first. */
export function timersOf(step: Pick<Step, 'timer' | 'moreTimers'>): readonly StepTimer[] {
  return [...(step.timer ? [step.timer] : []), ...(step.moreTimers ?? [])]
}

/** Where a measured angle stands against its band. */
export function judgeAngle(angle: Pick<StepAngle, 'lowDeg' | 'highDeg'>, deg: number): 'below' | 'held' | 'above' {
  if (deg < angle.lowDeg) return 'below'
  return deg > angle.highDeg ? 'above' : 'held'
}

/** Where a measured pull stands: over the most that may be pulled, near what is expected (within a tenth), or short of it. */
export function judgePull(pull: Pick<StepPull, 'expectedKg' | 'mostKg'>, kg: number): 'short' | 'near' | 'beyond' | 'over' {
  if (kg > pull.mostKg + 1e-9) return 'over'
  if (kg < 0.9 * pull.expectedKg) return 'short'
  return kg > 1.1 * pull.expectedKg ? 'beyond' : 'near'
}

/**
 * Straps that must be closed before one that is about to be.
 * @param closed ids of straps that are closed
 * @returns those still open before it; empty when any order is right or it is its turn
 */
export function strapsBefore(work: StepStraps, strapId: string, closed: readonly string[]): readonly StepStrap[] {
  if (work.order === 'any') return []
  const at = work.straps.findIndex((strap) => strap.id === strapId)
  return work.straps.slice(0, Math.max(0, at)).filter((strap) => !closed.includes(strap.id))
}
