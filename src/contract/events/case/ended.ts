import type { CaseRecord } from '../../records/case'
import type { EndingBody } from '../../records/ending'
import { caseKind } from '../kind'

/** The case ends here: the patient is gone, at home with it on, or it was entered by mistake. */
export const ended = caseKind<EndingBody>({
  nature: 'replacing',
  right: 'decide',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, ended: { ...body, at, by } }),
  example: {
    how: 'home',
    note: 'Fracture clinic on Monday',
    home: {
      helper: 'Sister, lives next door',
      stairs: 'can',
      phone: '0491 570 006',
      callNumber: '0491 570 110',
      walkingAid: 'crutches',
      taughtBack: 'Comes back for white toes, numbness or pain that tablets do not hold',
    },
  },
})
