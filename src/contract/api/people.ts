import type { Role } from '../rights'

/** A browser in which somebody is signed in; times in ISO 8601. */
export interface ManagedSession {
  /** Ends it, and opens nothing. */
  readonly id: string
  readonly since: string
  readonly lastSeenAt: string
  readonly isLocked: boolean
}

/** A browser of one's own; `isThis` is the one that asks. */
export interface OwnSession extends ManagedSession {
  readonly isThis: boolean
}

/** Answer of GET /api/session/mine. */
export interface OwnSessionsAnswer {
  readonly sessions: readonly OwnSession[]
  readonly now: string
}

/** Roles that one admin asks for somebody, and that another admin has yet to give. */
export interface AskedRoles {
  readonly roles: readonly Role[]
  readonly byId: string
  readonly by: string
}

/** A person as an admin sees them. */
export interface ManagedPerson {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly roles: readonly Role[]
  /** Null where nothing is asked. */
  readonly asked: AskedRoles | null
  readonly isActive: boolean
  /** They have a one-time code and no password of their own yet. */
  readonly mustChange: boolean
  /** A code of an authenticator app is asked for at sign-in. */
  readonly hasSecondFactor: boolean
  /** Browsers in which they are signed in, the one that was used last first. */
  readonly sessions: readonly ManagedSession[]
  /** From where they have to wait after wrong sign-ins. */
  readonly pauses: readonly { readonly address: string; readonly until: string }[]
}

/** Answer of GET /api/admin/people. */
export interface ManagedPeopleAnswer {
  readonly people: readonly ManagedPerson[]
  /** Addresses at which nobody who is new to a device signs in, until when; known devices do. */
  readonly shut: readonly { readonly address: string; readonly until: string }[]
  readonly now: string
}

/** Answer of GET /api/people: everybody who has an account of their own, by name. */
export interface PeopleAnswer {
  readonly people: readonly { readonly id: string; readonly name: string; readonly roles: readonly Role[] }[]
  readonly now: string
}

/** Answer where a one-time code was made: said once, good for a day. */
export interface CodeAnswer {
  readonly code: string
  readonly until: string
}

/** What an admin may do to a person besides giving them roles. */
export const personActions = ['code', 'end', 'restore', 'end-sessions', 'second-factor-off', 'let-in', 'end-session'] as const
export type PersonAction = (typeof personActions)[number]
