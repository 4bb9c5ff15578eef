import { skinOf, yesOrDanger, type TaskForm } from '../model/task-form'
import type { Technique } from '../planner/technique'
import type { TaskKind } from './live-tasks'

// The usual form of a kind of work; a technique that knows better brings its own.
const byKind: Readonly<Record<TaskKind, TaskForm>> = {
  care: [skinOf('skin', 'under and round it')],
  weights: [yesOrDanger('hang-free', 'Weights hang free', 'pull-lost'), yesOrDanger('cords', 'Cords run on their wheels', 'pull-lost')],
  review: [{ kind: 'words', id: 'decided', label: 'What was decided' }],
  convert: [{ kind: 'words', id: 'changed-to', label: 'What it was changed to' }],
  opening: [],
  remove: [],
}

/** What is said when a piece of work is done. Opening and taking off are recorded where they are done: they have no form. */
export function taskFormOf(
  technique: Pick<Technique, 'taskForms'> | null,
  task: { readonly id: string; readonly kind: TaskKind },
): TaskForm {
  return technique?.taskForms?.[task.id] ?? byKind[task.kind]
}

/** Whether work is ticked where it is listed; opening and taking off have a way of their own. */
export function isTicked(kind: TaskKind): boolean {
  return kind !== 'opening' && kind !== 'remove'
}
