import type { ErrorCode, FieldError } from '#contract/api/problem-details'

/** A refusal that the client can act on. Anything else thrown is a bug and answers 500 without its words. */
export class ApiError extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 422 | 423 | 429 | 503,
    readonly code: ErrorCode | 'invalid',
    message: string,
    readonly extra: {
      readonly errors?: readonly FieldError[]
      readonly yours?: unknown
      readonly current?: unknown
      /** When to come back, s: said in the header alone. */
      readonly retryAfterS?: number
    } = {},
  ) {
    super(message)
  }
}

/** 422 with every problem of the input. */
export function invalidInput(errors: readonly FieldError[]): ApiError {
  return new ApiError(422, 'invalid', errors.map((error) => error.message).join(' '), { errors })
}
