import type Joi from 'joi'
import { joiProblems } from '#contract/api/joi-problems'
import { invalidInput } from '../ground/api-error'

/**
 * Checks a body, query or parameter set against its schema, every fault at once; numbers are never made
 * from texts.
 * @throws ApiError 422
 */
export function parseWith<T>(schema: Joi.Schema, data: unknown, prefix: string[] = []): T {
  const { error, value } = schema.validate(data ?? {}, { abortEarly: false, convert: false })
  if (!error) return value as T
  throw invalidInput(joiProblems(error.details.map((detail) => ({ ...detail, path: [...prefix, ...detail.path] }))))
}
