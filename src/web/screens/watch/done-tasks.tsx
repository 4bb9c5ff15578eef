import { momentBefore, useMoment } from '../../sync/use-moment'
import { tasksOf } from '#core/rounds/live-tasks'
import { taskFormOf } from '#core/rounds/task-form-of'
import { spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'

/** What became of owed work, the newest first, with what was said of it. */
export function DoneTasks({ record }: { record: CaseRecord }) {
  const moment = useMoment()
  const tasks = record.tasks ?? []
  if (tasks.length === 0) return null
  return (
    <section aria-labelledby="done-tasks">
      <h2 id="done-tasks" className="mb-1 font-bold">
        Done, beside rounds
      </h2>
      <ul className="grid gap-2">
        {[...tasks].reverse().map((task, index, all) => (
          <li key={task.id} className="border-l-4 border-line pl-3">
            <p className="font-semibold leading-snug">
              <span className="numeral mr-2">{moment(Date.parse(task.at), momentBefore(all, index))}</span>
              {task.text}
            </p>
            <p className="text-sm text-soft">
              {task.outcome === 'done' ? '' : `${spoken(task.outcome)}: ${task.reason}. `}
              {answerWords(record, task.taskId, task.answers)}
              {task.by}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}

function answerWords(record: CaseRecord, taskId: string, answers: Readonly<Record<string, string | number>>): string {
  const task = tasksOf(record.accepted?.plan.schedule ?? []).find((one) => one.id === taskId)
  const form = task ? taskFormOf(findTechnique(record.technique), task) : []
  const words = Object.entries(answers).map(([id, answer]) => {
    const ask = form.find((one) => one.id === id)
    if (!ask) return String(answer)
    const said = ask.kind === 'choice' ? (ask.choices.find((choice) => choice.value === answer)?.label ?? String(answer)) : String(answer)
    return `${ask.label}: ${said}${ask.kind === 'figure' ? ` ${ask.unit}` : ''}`
  })
  return words.length === 0 ? '' : `${words.join('; ')}. `
}
