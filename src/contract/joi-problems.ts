import type Joi from 'joi'
import type { Problem, ProblemCode } from '#core/case/problem'

/** Last part of a path → the code that an unknown word there has. */
const unknownCodes: Readonly<Record<string, ProblemCode>> = {
  unit: 'unknown-unit',
  flags: 'unknown-flag',
  technique: 'unknown-technique',
  options: 'unknown-option',
}

/**
 * Turns a Joi failure into problems with our codes and slash paths, each a sentence with field, reason, remedy.
 * @param details as Joi gives them with abortEarly off
 */
export function joiProblems(details: readonly Joi.ValidationErrorItem[]): readonly Problem[] {
  return details.map((detail) => {
    const path = detail.path.join('/')
    const isUnknownWord = detail.type === 'any.only'
    const field = detail.path.findLast((part) => typeof part === 'string') as string | undefined
    const code = isUnknownWord
      ? path.endsWith('body/id') || path === 'id'
        ? 'unknown-measurement'
        : (unknownCodes[field ?? ''] ?? 'format')
      : 'format'
    return { code, path, message: sentence(detail, field ?? 'The input') }
  })
}

function sentence(detail: Joi.ValidationErrorItem, field: string): string {
  const context = detail.context ?? {}
  switch (detail.type) {
    case 'any.required':
      return `${field} is missing: add it.`
    case 'any.only':
      return `${field} cannot be ${JSON.stringify(context['value'])}: use one of ${(context['valids'] as unknown[]).join(', ')}.`
    case 'number.base':
      return `${field} must be a number, not ${JSON.stringify(context['value'])}: type a figure such as 38.5.`
    case 'number.min':
    case 'number.max':
      return `${field} must be ${detail.type === 'number.min' ? 'at least' : 'at most'} ${String(context['limit'])}, not ${String(context['value'])}: check the figure.`
    case 'object.unknown':
      return `${field} is not known here: remove it or check its spelling.`
    case 'any.custom':
      return 'A reason is missing: say in a few words why the round was not done.'
    case 'string.min':
      return `${field} is too short: write at least ${String(context['limit'])} characters.`
    case 'string.max':
      return `${field} is too long: keep it to ${String(context['limit'])} characters.`
    default:
      return `${detail.message.replaceAll('"', '')}: correct it and send it again.`
  }
}
