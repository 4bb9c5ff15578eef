import { movementOf, skinOf, yesOf, yesOrDanger, type TaskForm } from '../../model/task-form'

/** What is said when ring, heel and weights were looked at. */
export const suspendedRingTaskForms: Readonly<Record<string, TaskForm>> = {
  'ring-skin': [
    skinOf('ring', 'groin and sit bone'),
    skinOf('heel', 'heel'),
    skinOf('fibular-neck', 'fibular neck'),
    movementOf('foot-up', 'Foot and great toe come up', 'movement/deep-peroneal'),
  ],
  weights: [
    yesOrDanger('hang-free', 'Weights hang free', 'pull-lost'),
    { kind: 'figure', id: 'counterweight', label: 'Counterweight', unit: 'kg', least: 0, greatest: 15, planned: 'counterweight' },
    { kind: 'figure', id: 'suspension', label: 'Suspension weight', unit: 'kg', least: 0, greatest: 30, planned: 'suspension-weight' },
    yesOrDanger('cords', 'Cords run on their wheels', 'pull-lost'),
    yesOf('foot', 'Foot upright, slings where they were'),
    yesOf('bed', 'Foot of the bed raised as planned'),
  ],
}
