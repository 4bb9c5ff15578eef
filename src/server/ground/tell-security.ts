import type { Logger } from 'pino'

/** What somebody who watches over security hears of: in the log and counted, with an account's id and never a patient. */
export const securityKinds = {
  pause: 'somebody waits after wrong passwords or codes',
  'slow-account': 'an account had more than fifty wrong tries within the hour: each takes longer',
  'ticket-refused': 'an entry came by a ticket that is over, and waits for a lead',
  'second-factor-wrong': 'a right password came with a wrong code of the authenticator app',
  'looked-in': 'a record was opened from outside the care team',
  'address-opened': 'an admin lets strangers sign in again at an address that was shut',
  'signed-in-refused': 'too many signed in at once',
} as const
export type SecurityKind = keyof typeof securityKinds

export type TellSecurity = (kind: SecurityKind, personId?: string) => void

/** Tells the log and whoever counts. */
export function createSecurityTeller(log: Logger, count: ((kind: SecurityKind) => void) | null): TellSecurity {
  return (kind, personId) => {
    count?.(kind)
    log.warn({ security: kind, ...(personId ? { person: personId } : {}) }, securityKinds[kind])
  }
}
