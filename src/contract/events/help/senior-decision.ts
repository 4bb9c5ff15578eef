import type { DecisionBody } from '../../records/case'
import { caseKind } from '../kind'

/** A named senior decided about an urgent finding that stays: it is settled for so many minutes, four hours at most. */
export const seniorDecision = caseKind<DecisionBody>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: enteredBy, body }) => ({
    ...record,
    seniorDecisions: [...(record.seniorDecisions ?? []), { ...body, at, enteredBy }],
  }),
  example: { by: 'Sorrel Vane, orthopaedic registrar', part: 'leg-left', item: 'pulse', what: 'theatre at 04:00', forMin: 60 },
})
