import type { Step, StepAngle, StepPull, StepStrap, StepStraps, StepTimer } from '../model/step'

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
  if (pull.expectedKg === null) return 'near'
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
