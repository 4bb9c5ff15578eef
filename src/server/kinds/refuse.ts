import type { FieldError } from '#contract/api/problem-details'
import { ApiError, invalidInput } from '../ground/api-error'

/** Refuses what cannot be true. @throws ApiError 422 with the one problem */
export function refuse(code: FieldError['code'], path: string, message: string): never {
  throw invalidInput([{ code, path, message }])
}

/** Refuses what somebody's role does not allow in this case. @throws ApiError 403 */
export function refuseRole(message: string): never {
  throw new ApiError(403, 'no-right', message)
}
