import type { CaseRecord } from '../../records/case'
import type { AddedTaskBody } from '../../records/task'
import { caseKind } from '../kind'

/** Somebody wrote down work that is owed beside the plan's. */
export const taskAdded = caseKind<AddedTaskBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { id, at, actorName: by, body }): CaseRecord => ({
    ...record,
    addedTasks: [...(record.addedTasks ?? []), { ...body, id, at, by }],
  }),
  example: { text: 'Ring theatre about the time', dueAt: '2027-03-31T18:00:00Z', who: 'Late shift' },
})
