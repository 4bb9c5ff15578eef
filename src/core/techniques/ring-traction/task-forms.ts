import { skinOf, yesOf, yesOrDanger, type TaskForm } from '../../model/task-form'

/** What is said when the ring's skin was looked at and the pull was felt. */
export const ringTractionTaskForms: Readonly<Record<string, TaskForm>> = {
  'ring-skin': [skinOf('ring', 'groin and sit bone'), skinOf('heel', 'heel'), yesOf('finger', 'A finger passes round the ring')],
  pull: [
    { kind: 'figure', id: 'load', label: 'Pull as felt or read', unit: 'kg', least: 0, greatest: 15, planned: 'traction' },
    yesOrDanger('tight', 'Cord tight, tied off again', 'pull-lost'),
    yesOf('strips', 'Strips hold, no blister'),
  ],
}
