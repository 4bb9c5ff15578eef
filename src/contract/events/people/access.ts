import type { Role } from '../../rights'
import { personKind } from '../kind'

/** What was changed of how a person comes in, by an admin or by themselves. */
export const accessChanges = [
  'roles',
  'roles-asked',
  'code',
  'password',
  'ended',
  'restored',
  'sessions-ended',
  'paired',
  'second-factor',
  'second-factor-off',
  'recovery-codes',
  'let-in',
] as const
export interface AccessBody {
  readonly change: (typeof accessChanges)[number]
  /** The roles that they have from then on. */
  readonly roles?: readonly Role[]
}

/** How a person comes in was changed: roles, a one-time code, a password; never what the code or the password is. */
export const access = personKind<AccessBody>({
  nature: 'additive',
  right: 'server',
  example: { change: 'roles', roles: ['clinician', 'lead'] },
})
