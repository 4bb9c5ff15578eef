import type { Step } from '../model/step'
import { findOrderBreaks } from './check-order'

/** One entry of a run: a step done, passed by, or taken back. */
export interface StepEntry {
  readonly stepId: string
  readonly outcome: 'done' | 'skipped' | 'undone'
  readonly reason: string
  readonly at: string
  readonly by: string
}

export interface Deviation {
  /** Out of order: a must was crossed. Another order: only what is usual here was. */
  readonly kind: 'skipped' | 'out-of-order' | 'another-order' | 'repeated' | 'taken-back'
  readonly stepId: string
  /** For an order: the step that should have come before. */
  readonly before: string | null
  /** For out of order: what comes of it. */
  readonly harm: string | null
  readonly reason: string
  readonly at: string
  readonly by: string
}

/**
 * Where a run left its procedure. Deviations are allowed; they are kept, with the reason where one was given.
 * @param entries in the order of time
 * @returns in the order of time: steps passed by, taken back, done again without being taken back, and steps done
 *   before one that comes before them, told apart by whether it must. Optional steps that were passed by deviate from nothing.
 */
export function findDeviations(steps: readonly Step[], entries: readonly StepEntry[]): readonly Deviation[] {
  const byId = new Map(steps.map((step) => [step.id, step]))
  const state = new Map<string, StepEntry>()
  const found: Deviation[] = []
  for (const entry of entries) {
    const step = byId.get(entry.stepId)
    if (!step) continue
    const last = state.get(entry.stepId)
    const note = (kind: Deviation['kind'], before: string | null = null, harm: string | null = null): void =>
      void found.push({ kind, stepId: entry.stepId, before, harm, reason: entry.reason, at: entry.at, by: entry.by })
    if (entry.outcome === 'undone') {
      if (last) note('taken-back')
      state.delete(entry.stepId)
      continue
    }
    if (entry.outcome === 'skipped' && !step.optional) note('skipped')
    if (entry.outcome === 'done') {
      if (last?.outcome === 'done') note('repeated')
      else {
        // Only what was still open when this step was done: what was skipped before it is its own deviation.
        const finished = [...state.keys(), entry.stepId]
        for (const { step: late, before, harm } of findOrderBreaks(steps, finished))
          if (late === entry.stepId) note(harm === null ? 'another-order' : 'out-of-order', before, harm)
      }
    }
    state.set(entry.stepId, entry)
  }
  return found
}
