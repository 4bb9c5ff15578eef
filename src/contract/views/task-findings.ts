import type { Danger } from '#core/model/danger'
import type { AnswerLevel } from '#core/model/task-form'
import { tasksOf } from '#core/rounds/live-tasks'
import { taskFormOf } from '#core/rounds/task-form-of'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '../records/case'

/** An answer that was not well when that was last asked. */
export interface TaskFinding {
  /** `ring-skin/heel` */
  readonly id: string
  readonly level: AnswerLevel
  readonly danger: Danger | null
  /** The round's item that was asked; null where it is none. */
  readonly item: string | null
  readonly text: string
  /** When it was first found so since it was last well, ISO 8601. */
  readonly sinceAt: string
  /** When it was last looked at. */
  readonly at: string
}

/** What owed work found and nothing has ended: each question's last answer, where it is not well. */
export function taskFindings(record: CaseRecord): readonly TaskFinding[] {
  const technique = findTechnique(record.technique)
  const kinds = new Map(tasksOf(record.accepted?.plan.schedule ?? []).map((one) => [one.id, one]))
  const found = new Map<string, TaskFinding>()
  for (const done of record.tasks ?? []) {
    const task = kinds.get(done.taskId)
    if (!task) continue
    for (const ask of taskFormOf(technique, task)) {
      const answer = done.answers[ask.id]
      if (ask.kind !== 'choice' || answer === undefined) continue
      const id = `${done.taskId}/${ask.id}`
      // An answer in words of before: yes was well, no was not.
      const old = answer === 'no' ? ask.choices.at(-1) : undefined
      const choice = ask.choices.find((one) => one.value === answer) ?? old
      if (choice?.level) {
        const text = `${ask.label}: ${choice.label}`
        found.set(id, {
          id,
          level: choice.level,
          danger: choice.danger ?? null,
          item: ask.item ?? null,
          text,
          sinceAt: found.get(id)?.sinceAt ?? done.at,
          at: done.at,
        })
      } else found.delete(id)
    }
  }
  return [...found.values()]
}
