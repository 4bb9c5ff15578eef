export type DueState = 'later' | 'due' | 'grace' | 'overdue'

/**
 * Where a scheduled entry stands at a time: not yet due, due within the next 10 minutes, within its grace,
 * or overdue.
 * @param minutesToDue minutes until it falls due, negative once it has passed
 * @param graceMin minutes it may be late
 */
export function dueState(minutesToDue: number, graceMin: number): DueState {
  if (minutesToDue > 10) return 'later'
  if (minutesToDue > 0) return 'due'
  return -minutesToDue <= graceMin ? 'grace' : 'overdue'
}
