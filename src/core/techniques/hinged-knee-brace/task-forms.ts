import { skinOf, yesOf, type TaskForm } from '../../model/task-form'

/** What is said when the skin under the brace was looked at. */
export const kneeBraceTaskForms: Readonly<Record<string, TaskForm>> = {
  skin: [
    skinOf('straps', 'under the straps'),
    skinOf('knee', 'kneecap and fibular neck'),
    yesOf('stops', 'Stops as ordered'),
    yesOf('hinge', 'Hinge at the joint'),
  ],
}
