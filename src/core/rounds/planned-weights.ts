import { formatValue } from '../planner/format-decision'
import type { Decision } from '../model/decision'
import type { TaskAsk, TaskForm } from '../model/task-form'

/** A weight that is off by more than the greater of these two is not what was planned. */
const offKg = 0.5
const offShare = 0.1

type Figure = Extract<TaskAsk, { kind: 'figure' }>

/** What a plan says a weight is, kg; null where the plan does not decide it. */
export function plannedKg(ask: Figure, decisions: readonly Decision[]): number | null {
  const value = decisions.find((decision) => decision.id === ask.planned)?.value
  return typeof value === 'number' ? value : null
}

/** A form without the weights that this plan hangs not at all. */
export function formOfPlan(form: TaskForm, decisions: readonly Decision[]): TaskForm {
  return form.filter((ask) => ask.kind !== 'figure' || ask.planned === undefined || plannedKg(ask, decisions) !== 0)
}

/** Whether a weight as it was read is off its plan. */
export function isOffPlan(kg: number, planned: number): boolean {
  return Math.abs(kg - planned) > Math.max(offKg, offShare * planned) + 1e-9
}

/** A weight that is off its plan, in words, and what is done about it. */
export function offPlanWords(ask: Figure, kg: number, planned: number): { readonly text: string; readonly steps: readonly string[] } {
  const [read, aim] = [kg, planned].map((value) => formatValue(value, 'kg'))
  return {
    text: `${ask.label}: ${read}, planned ${aim}`,
    steps: [
      'Hands take the load; a weight is lowered, never dropped.',
      `${ask.label} set again to the planned ${aim}, or a clinician orders another one.`,
      'Pulse, feeling and movement, pain; the weights again in 15 minutes.',
    ],
  }
}
