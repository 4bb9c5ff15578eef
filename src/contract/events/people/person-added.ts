import type { Role } from '../../rights'
import { personKind } from '../kind'

export interface PersonAddedBody {
  readonly name: string
  readonly roles: readonly Role[]
}

/** A person who can sign in. */
export const personAdded = personKind<PersonAddedBody>({
  nature: 'opening',
  right: 'server',
  example: { name: 'Ada Quist', roles: ['clinician'] },
})
