import { collarSkin, linerMargin, strapOverhang } from '../../figures/body/measurements/neck'
import { yesOf, type TaskAsk, type TaskForm } from '../../model/task-form'

/** What is said when the daily care of the collar is done; skin, liner and strap are readings, since the plan follows from them. */
export const careCollarTaskForms: Readonly<Record<string, TaskForm>> = {
  care: [
    yesOf('washed', 'Washed and dried, head held'),
    ...collarSkin.map(({ id, label }): TaskAsk => ({ kind: 'reading', id, label, wanted: 'intact' })),
    yesOf('liners', 'Fresh liners in, smooth'),
    { kind: 'reading', id: linerMargin.id, label: linerMargin.label, wanted: 'at least 0.5 cm' },
    { kind: 'reading', id: strapOverhang.id, label: 'Strap overhang, left', wanted: 'left and right within 0.5 cm', side: 'left' },
    { kind: 'reading', id: strapOverhang.id, label: 'Strap overhang, right', wanted: 'left and right within 0.5 cm', side: 'right' },
    yesOf('locks', 'Locks shut, chin on its rest', 'review'),
  ],
}
