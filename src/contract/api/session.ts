import type { PersonSettings } from '../records/person'
import type { Role } from '../rights'

export interface Person {
  readonly id: string
  readonly name: string
  /** What they sign in with. */
  readonly signIn: string
  readonly roles: readonly Role[]
  readonly settings: PersonSettings
  /** Version of the person's event stream, for settings changes. */
  readonly version: number
}

/** What a page keeps and sends entries with; each in base64 where it is bytes. */
export interface DeviceKeys {
  /** 32 bytes: what lies on the device is kept under it. */
  readonly store: string
  /** The same of before the server's keys were rolled: what lies there yet is read by it, and kept anew. */
  readonly storeBefore?: string
  /** The server's public key (SPKI): what waits to be sent is sealed with it. */
  readonly seal: string
  /** Goes into what is sealed, and says whose it is. */
  readonly ticket: string
}

/** What a paired device keeps, so that work begins on it without a line and without an account. */
export interface PairedDevice extends Pick<DeviceKeys, 'seal' | 'ticket'> {
  /** `Resus 2`. */
  readonly as: string
  /** The device's own account. */
  readonly person: Person
}

/** By how much the server's clock is ahead of its database's, ms, where that is more than it may be. */
export const clockHeader = 'x-wren-clock-off'

/** The header in which a device names itself. */
export const deviceHeader = 'x-wren-device'
/** A PIN: long enough against five tries, short enough for a glove. */
export const pinPattern = /^\d{4,8}$/

/** Answer of GET and POST /api/session. */
export interface SessionAnswer {
  readonly person: Person | null
  /** Null while nobody is signed in, and while the screen is locked. */
  readonly csrf: string | null
  /** The screen is locked: PIN or password open it. */
  readonly isLocked: boolean
  /** They came in by a one-time code: a password has to be chosen before anything else. */
  readonly mustChange: boolean
  /** Codes of an authenticator app are asked of them. */
  readonly hasSecondFactor: boolean
  /** This server wants it of them, and they have none: it has to be set up before anything else. */
  readonly mustEnrol: boolean
  /** The session has a short PIN that opens its lock. */
  readonly hasPin: boolean
  /** As what this device is paired for emergency entry; null where it is not. */
  readonly paired: PairedDevice | null
  /** The house keeps care teams: records of patients can be marked confidential. */
  readonly hasCareTeams: boolean
  /** Nobody here is a patient: it is the demo world of a first start, in which newcomers are shown round. */
  readonly isTrial: boolean
  /** Null as `csrf` is. */
  readonly keys: DeviceKeys | null
  /** Server time, ISO 8601 UTC: clocks of devices drift. */
  readonly now: string
}

/** Six digits of an authenticator app. */
export const secondCodePattern = /^\d{6}$/

/** Answer where a second factor is begun: to be read by the app, or typed into it. */
export interface SecondFactorAnswer {
  /** Base32. */
  readonly secret: string
  /** The same as a picture, a data address. */
  readonly qr: string
}

/** A recovery code as it is printed, `abcd-efgh-kmnp-qrst`; typed with or without what stands between, in any case. */
export const recoveryPattern = /^([a-z2-9]{4}[- ]?){3}[a-z2-9]{4}$/i

/** A recovery code as it is compared. */
export function recoveryForm(typed: string): string {
  return typed.replaceAll(/[- ]/g, '').toLowerCase()
}

/** Answer where a second factor is confirmed, or its recovery codes made anew: said once. */
export interface RecoveryAnswer {
  readonly recovery: readonly string[]
}
