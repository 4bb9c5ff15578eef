import type { Role } from '../rights'

export interface PersonSettings {
  readonly units: 'metric' | 'inches'
  /** Own breadth of fingers held together ÷ their number, cm, by how many fingers; null while not calibrated. */
  readonly fingerCm: number | null
  readonly theme: 'system' | 'light' | 'dark'
}

export const defaultSettings: PersonSettings = { units: 'metric', fingerCm: null, theme: 'system' }

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
