import type { CaseRecord } from '../../records/case'
import { spoken } from '#core/model/vocabulary'
import { enteredValues } from '../../records/entered-values'
import type { TaskBody } from '../../records/task'
import { byTime } from '../in-run'
import { caseKind } from '../kind'

/** Owed work was done, or was not and why. */
export const taskDone = caseKind<TaskBody>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  words: ({ text, outcome, reason, answers }) => {
    const said = enteredValues(answers).join(', ')
    return `${text.replace(/\.$/, '')}, ${spoken(outcome)}${reason ? ` (${reason})` : ''}${said ? `: ${said}` : ''}`
  },
  fold: (record, { id, at, actorName: by, body }): CaseRecord => ({
    ...record,
    tasks: byTime([...(record.tasks ?? []), { ...body, id, at, by }]),
  }),
  example: {
    taskId: 'ring-skin',
    text: 'Ring, heel and fibular neck.',
    outcome: 'done',
    reason: '',
    answers: { ring: 'reddens-and-blanches', heel: 'intact', counterweight: 5 },
  },
})
