import { edgeSitting } from '../../figures/body/measurements/trunk'
import { skinOf, yesOf, type TaskForm } from '../../model/task-form'

/** What is said when the skin under the shell was looked at; where the edge stands is a reading. */
export const trunkShellTaskForms: Readonly<Record<string, TaskForm>> = {
  skin: [
    skinOf('ribs', 'ribs and breastbone'),
    skinOf('crests', 'hip crests and sacrum'),
    yesOf('shirt', 'Fresh shirt on, without a crease'),
    { kind: 'reading', id: edgeSitting.id, label: edgeSitting.label, wanted: 'at least 0.5 cm' },
  ],
}
