import type { Danger } from '#core/model/danger'
import type { Decision } from '#core/model/decision'
import type { AnswerLevel, TaskAsk } from '#core/model/task-form'
import { tasksOf } from '#core/rounds/live-tasks'
import { isOffPlan, offPlanWords, plannedKg } from '#core/rounds/planned-weights'
import { taskFormOf } from '#core/rounds/task-form-of'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'

/** An answer that was not well when that was last asked. */
export interface TaskFinding {
  /** `ring-skin/heel` */
  readonly id: string
  readonly taskId: string
  readonly level: AnswerLevel
  readonly danger: Danger | null
  /** The round's item that was asked; null where it is none. */
  readonly item: string | null
  readonly text: string
  /** What is done about it, where nothing else says so. */
  readonly ownSteps?: readonly string[]
  /** Minutes after the look until it is made again, whatever the list says; null where the list says. */
  readonly againMin: number | null
  /** When it was first found so since it was last well, ISO 8601. */
  readonly sinceAt: string
  /** When it was last looked at. */
  readonly at: string
}

/** Minutes after which a look that found a pull lost, or a weight off its plan, is made again. */
const pullAgainMin = 15

/** What owed work found and nothing has ended: each question's last answer, where it is not well. */
export function taskFindings(record: CaseRecord): readonly TaskFinding[] {
  const technique = findTechnique(record.technique)
  const plan = record.accepted?.plan
  const kinds = new Map(tasksOf(plan?.schedule ?? []).map((task) => [task.id, task]))
  const found = new Map<string, TaskFinding>()
  for (const done of record.tasks ?? []) {
    const task = kinds.get(done.taskId)
    if (!task) continue
    for (const ask of taskFormOf(technique, task)) {
      const answer = done.answers[ask.id]
      if (answer === undefined) continue
      const id = `${done.taskId}/${ask.id}`
      const bad =
        ask.kind === 'choice' ? badChoice(ask, answer) : ask.kind === 'figure' ? badWeight(ask, answer, plan?.decisions ?? []) : null
      if (bad) found.set(id, { id, taskId: done.taskId, ...bad, sinceAt: found.get(id)?.sinceAt ?? done.at, at: done.at })
      else found.delete(id)
    }
  }
  return [...found.values()]
}

type Bad = Omit<TaskFinding, 'id' | 'taskId' | 'sinceAt' | 'at'>

function badChoice(ask: Extract<TaskAsk, { kind: 'choice' }>, answer: string | number): Bad | null {
  const choice = ask.choices.find((one) => one.value === answer)
  if (!choice?.level) return null
  const danger = choice.danger ?? null
  return {
    level: choice.level,
    danger,
    item: ask.item ?? null,
    text: `${ask.label}: ${choice.label}`,
    againMin: danger === 'pull-lost' ? pullAgainMin : null,
  }
}

/** A weight that is not what was planned: its own answers, and again in a quarter of an hour. */
function badWeight(ask: Extract<TaskAsk, { kind: 'figure' }>, answer: string | number, decisions: readonly Decision[]): Bad | null {
  const planned = plannedKg(ask, decisions)
  if (planned === null || typeof answer !== 'number' || !isOffPlan(answer, planned)) return null
  const { text, steps } = offPlanWords(ask, answer, planned)
  return { level: 'review', danger: null, item: null, text, ownSteps: steps, againMin: pullAgainMin }
}
