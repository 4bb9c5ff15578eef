import type Joi from 'joi'
import type { Problem, ProblemCode } from '#core/model/problem'

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
  const { value, limit } = context as { readonly value?: unknown; readonly limit?: unknown }
  switch (detail.type) {
    case 'any.required':
      return `${field} is missing: add it.`
    case 'any.only':
      return `${field} cannot be ${shown(value)}: use ${choices(context['valids'] as readonly unknown[])}.`
    case 'any.invalid':
    case 'any.unknown':
      return `${field} does not go with the rest: leave it out.`
    case 'until.order':
      return `${field} is not after the beginning: check both times.`
    case 'number.base':
      return `${field} must be a number, not ${shown(value)}: type a figure such as 38.5.`
    case 'number.integer':
      return `${field} must be a whole number, not ${shown(value)}: round it.`
    case 'number.infinity':
    case 'number.unsafe':
      return `${field} is too great to be counted: check the figure.`
    case 'number.min':
    case 'number.max':
    case 'number.greater':
      return `${field} must be ${{ 'number.min': 'at least', 'number.max': 'at most', 'number.greater': 'more than' }[detail.type]} ${bound(limit)}, not ${shown(value)}: check the figure.`
    case 'object.unknown':
      return `${field} is not known here: remove it or check its spelling.`
    case 'any.custom':
      return 'A reason is missing: say in a few words why the round was not done.'
    case 'string.base':
      return `${field} must be words, not ${shown(value)}: write it as text.`
    case 'string.empty':
      return `${field} is empty: write something there.`
    case 'string.min':
      return `${field} is too short: write at least ${bound(limit)} characters.`
    case 'string.max':
      return `${field} is too long: keep it to ${bound(limit)} characters.`
    case 'string.guid':
      return `${field} is no id: send the id of what is meant.`
    case 'string.day':
      return `${field} is no day of the calendar, ${shown(value)}: write it such as 2027-03-31.`
    case 'string.zone':
      return `${field} is no time zone, ${shown(value)}: use a name such as Etc/UTC.`
    case 'string.isoDate':
      return `${field} is no time, ${shown(value)}: write it such as 2027-03-31T08:15:00Z.`
    case 'string.pattern.name':
      return `${field} must be ${withArticle(String(context['name']))}, not ${shown(value)}: write it that way.`
    case 'boolean.base':
      return `${field} is yes or no, not ${shown(value)}: send true or false.`
    case 'array.base':
      return `${field} must be a list, not ${shown(value)}: put it in a list.`
    case 'array.min':
      return `${field} has too few entries: give at least ${bound(limit)}.`
    case 'array.max':
      return `${field} has too many entries: keep it to ${bound(limit)}.`
    case 'array.unique':
      return `${field} names ${shown(value)} twice: name it once.`
    case 'object.base':
      return `${field} must be a group of fields, not ${shown(value)}: see the format.`
    default:
      return `${field} is not in the form that is asked for: see the format, correct it and send it again.`
  }
}

/** A value as it was sent, cut short: an answer is no copy of what was sent. */
function shown(value: unknown): string {
  const text = JSON.stringify(value) ?? 'nothing'
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

/** A limit, which may be that of another field. */
function bound(limit: unknown): string {
  return typeof limit === 'number' ? String(limit) : 'the other figure it goes with'
}

const mostChoices = 30

/** What a word may be: all of a short list, the beginning of a long one. */
function choices(valids: readonly unknown[]): string {
  const words = valids.filter((valid) => valid !== null).map(String)
  const list = words.slice(0, mostChoices).join(', ')
  const rest = words.length > mostChoices ? `, … (${words.length} in all)` : ''
  return `${words.length === 1 ? '' : 'one of '}${list}${rest}${valids.includes(null) ? ', or leave it empty' : ''}`
}

/** A noun with its article: a code, an id. */
function withArticle(noun: string): string {
  return `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`
}
