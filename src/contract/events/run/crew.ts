import type { CaseRecord } from '../../records/case'
import type { CrewMember } from '../../records/case'
import { caseKind } from '../kind'

export interface CrewBody {
  readonly members: readonly CrewMember[]
}

/** Who is here, and where their hands are: so many people the plan counts on. */
export const crew = caseKind<CrewBody>({
  nature: 'additive',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body: { members } }): CaseRecord => ({
    ...record,
    crew: members,
    setup: members.length > 0 ? { ...record.setup, people: members.length } : record.setup,
  }),
  example: { members: [{ name: 'Tobin', place: 'hold-distal' }] },
})
