import type { Problem } from '#core/model/problem'

/** What is wrong with one field. */
export interface FieldError {
  readonly code: Problem['code'] | ErrorCode
  readonly path: string
  readonly message: string
}

/** RFC 9457 answer with a code per field; 409 adds what was sent, and how far the other side has gone. */
export interface ProblemDetails {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  readonly errors?: readonly FieldError[]
  readonly yours?: unknown
  readonly current?: unknown
}

export const errorCodes = [
  'not-signed-in',
  'wrong-sign-in',
  'locked',
  'no-right',
  'handed-over',
  'say-why',
  'not-found',
  'known',
  'run-open',
  'own-role',
  'prove-again',
  'stale',
  'plan-differs',
  'same-id-other-body',
  'csrf',
  'too-large',
  'too-many',
  'not-json',
  'pending-plan',
  'unavailable',
  'out-of-stock',
  'not-a-picture',
  'nothing-to-print',
  'clock',
  'too-heavy',
  'removed',
  'ended',
  'not-known',
  'no-pin',
  'wrong-pin',
  'not-sealed',
  'ticket-over',
  'refused',
  'not-here',
  'change-password',
  'last-admin',
  'second-factor',
  'not-paired',
  'paired-device',
] as const
export type ErrorCode = (typeof errorCodes)[number]
