import type { CaseRecord } from '../../records/case'
import type { DecisionBody } from '../../records/case'
import { decisionWords } from '../../records/decision-words'
import { caseKind } from '../kind'

/** What a named senior said about what is urgent: to open it, that they come, to leave it for so many minutes, or other words. */
export const seniorDecision = caseKind<DecisionBody>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  words: (body) => `${body.by}${body.how === 'telephone' ? ', by telephone' : ''}: ${decisionWords(body)}`,
  fold: (record, { at, actorName: enteredBy, body }): CaseRecord => ({
    ...record,
    seniorDecisions: [...(record.seniorDecisions ?? []), { ...body, at, enteredBy }],
  }),
  example: {
    by: 'Sorrel Vane, orthopaedic registrar',
    how: 'telephone',
    answer: 'leave',
    what: 'theatre at 04:00',
    saw: [{ id: 'leg-left/feeling/tibial', level: 'urgent' }],
    forMin: 60,
  },
})
