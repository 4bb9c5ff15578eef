import { skinOf, yesOf, type TaskForm } from '../../model/task-form'

/** What is said when the skin under the collar was looked at. */
export const extricationCollarTaskForms: Readonly<Record<string, TaskForm>> = {
  skin: [
    skinOf('chin', 'chin'),
    skinOf('occiput', 'back of the head'),
    skinOf('collarbones', 'collarbones'),
    yesOf('held', 'Head held while it was open', 'review'),
  ],
}
