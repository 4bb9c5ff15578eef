import type { TaskKind } from './live-tasks'

/** Likely minutes at the bed for one piece of owed work, walking included; of the ward forecast (COMPUTATION 14). Local, to be timed. */
export const taskMinutes: Readonly<Record<'round' | 'added' | TaskKind, number>> = {
  round: 6,
  care: 12,
  weights: 4,
  opening: 25,
  review: 15,
  convert: 45,
  remove: 20,
  added: 10,
}
