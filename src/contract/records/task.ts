import { roundOutcomes } from './episode'

/** What became of owed work: as with rounds, or it is no longer needed. */
export const taskOutcomes = [...roundOutcomes, 'not-needed'] as const
export type TaskOutcome = (typeof taskOutcomes)[number]

/** Owed work as it was done, or was not. */
export interface TaskBody {
  /** Of the schedule's work, or of what a person added. */
  readonly taskId: string
  /** What was owed, in its words. */
  readonly text: string
  readonly outcome: TaskOutcome
  /** Why, where it was not done; empty where it was. */
  readonly reason: string
  /** What was said of it, by the id of each question. */
  readonly answers: Readonly<Record<string, string | number>>
}

/** Work that a person owes beside what the plan asks for. */
export interface AddedTaskBody {
  readonly text: string
  /** ISO 8601. */
  readonly dueAt: string
  /** Who is to do it; empty for whoever is there. */
  readonly who: string
}

/** Whether an outcome ends what was owed. */
export function isEnded(outcome: TaskOutcome): boolean {
  return outcome === 'done' || outcome === 'not-needed'
}

/** Owed work with its time, as a forecast reads it. */
export interface WorkAhead {
  readonly id: string
  readonly name: string
  /** ISO 8601 UTC. */
  readonly dueAt: string
  readonly graceMin: number
  readonly takesMin: number
}
