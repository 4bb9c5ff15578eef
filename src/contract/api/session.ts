import type { PersonSettings } from '../records/person'
import type { Role } from '../rights'

export interface Person {
  readonly id: string
  readonly name: string
  readonly roles: readonly Role[]
  readonly settings: PersonSettings
  /** Version of the person's event stream, for settings changes. */
  readonly version: number
}

/** Answer of GET and POST /api/session. */
export interface SessionAnswer {
  readonly person: Person | null
  readonly csrf: string | null
  /** Server time, ISO 8601 UTC: clocks of devices drift. */
  readonly now: string
}
