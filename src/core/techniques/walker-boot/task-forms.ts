import { skinOf, yesOf, type TaskForm } from '../../model/task-form'

/** What is said when the skin in the boot was looked at. */
export const walkerBootTaskForms: Readonly<Record<string, TaskForm>> = {
  skin: [skinOf('heel', 'heel and toes'), skinOf('shin', 'shin'), yesOf('liner', 'Liner dry and smooth')],
}
