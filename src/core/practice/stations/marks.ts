import type { CriticalError, StationRun } from './station'

/** What a mark says of a run. */
export type MarkBody =
  | { readonly kind: 'tick'; readonly stepId: string }
  | { readonly kind: 'critical'; readonly error: CriticalError }
  | { readonly kind: 'answer'; readonly decision: string; readonly given: string }
  /** The question of the station, by its index, that was asked and answered. */
  | { readonly kind: 'told'; readonly ask: number }
  /** Another mark of the same person was a slip. */
  | { readonly kind: 'undo'; readonly of: string }
  | { readonly kind: 'end' }
export const markKinds = ['tick', 'critical', 'answer', 'told', 'undo', 'end'] as const satisfies readonly MarkBody['kind'][]

/**
 * One thing that was seen in a run. Marks are only ever added, so that what two tablets kept apart becomes one by putting them together,
 * in any order and as often as one likes.
 */
export interface StationMark {
  /** UUID; the same mark twice is one mark. */
  readonly id: string
  /** From the start, to a tenth of a second, ms. */
  readonly atMs: number
  readonly what: MarkBody
}

/** A run as its marks say, with the questions that were asked. */
export interface MarkedRun extends StationRun {
  readonly told: readonly number[]
}

/** The marks of both, each once, by time and then by id. */
export function mergeMarks(some: readonly StationMark[], others: readonly StationMark[]): readonly StationMark[] {
  const byId = new Map([...some, ...others].map((mark) => [mark.id, mark]))
  return [...byId.values()].sort((a, b) => a.atMs - b.atMs || a.id.localeCompare(b.id))
}

/** The marks that stand: without those that were undone, and without the undoing. */
export function standingMarks(marks: readonly StationMark[]): readonly StationMark[] {
  const undone = new Set(marks.flatMap(({ what }) => (what.kind === 'undo' ? [what.of] : [])))
  return mergeMarks(marks, []).filter((mark) => mark.what.kind !== 'undo' && !undone.has(mark.id))
}

/** What one person's marks say of a run. The first end counts; what was done after it does not. */
export function runOf(marks: readonly StationMark[]): MarkedRun {
  const standing = standingMarks(marks)
  const endedMs = standing.find((mark) => mark.what.kind === 'end')?.atMs ?? null
  const isInTime = (mark: StationMark): boolean => endedMs === null || mark.atMs <= endedMs
  return {
    ticks: standing.flatMap((mark) => (mark.what.kind === 'tick' && isInTime(mark) ? [{ stepId: mark.what.stepId, atMs: mark.atMs }] : [])),
    criticals: standing.flatMap((mark) => (mark.what.kind === 'critical' ? [{ id: mark.what.error, atMs: mark.atMs }] : [])),
    answers: standing.flatMap((mark) => (mark.what.kind === 'answer' ? [{ decision: mark.what.decision, given: mark.what.given }] : [])),
    told: [...new Set(standing.flatMap((mark) => (mark.what.kind === 'told' ? [mark.what.ask] : [])))],
    endedMs,
  }
}

/** The last mark of a kind that stands: what Undo takes back. */
export function lastOf(marks: readonly StationMark[], kind: MarkBody['kind']): StationMark | null {
  return standingMarks(marks).findLast((mark) => mark.what.kind === kind) ?? null
}
