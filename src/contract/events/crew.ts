import type { CrewMember } from '../records/case'
import { caseKind } from './kind'

export interface CrewBody {
  readonly members: readonly CrewMember[]
}

/** Who is here, and where their hands are. */
export const crew = caseKind<CrewBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { body }) => ({ ...record, crew: body.members }),
  example: { members: [{ name: 'Tobin', place: 'hold-distal' }] },
})
