import { DateTime, IANAZone } from 'luxon'
import type { Problem, ProblemCode } from '../model/problem'

/** Reads the fields of one object of unknown shape, collecting a problem for each that is not as it should be. */
export interface FieldReader {
  raw(field: string): unknown
  record(): Readonly<Record<string, unknown>>
  number(field: string, limits?: { least?: number; greatest?: number; whole?: boolean }): number | undefined
  text(field: string): string | undefined
  word<W extends string>(field: string, allowed: readonly W[]): W | undefined
  words<W extends string>(field: string, allowed: readonly W[], code: ProblemCode): readonly W[]
  list(field: string): readonly unknown[]
  object(field: string): FieldReader | null
  /** The objects of a list; entries that are none are reported. */
  objects(field: string): readonly FieldReader[]
  /** ISO 8601 with an offset. */
  time(field: string): string | undefined
  /** IANA zone name. */
  zone(field: string): string | undefined
  /** @param what the object is part of, in words */
  warnUnknown(known: readonly string[], what?: string, code?: ProblemCode): void
  report(field: string, message: string, code?: ProblemCode): void
}

/**
 * A reader over `data`, or null when it is not a plain object.
 * @param path slash path of the object in the file, '' for the whole
 * @param problems where problems are added
 */
export function createFieldReader(data: unknown, path: string, problems: Problem[]): FieldReader | null {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) return null
  const source = data as Record<string, unknown>
  const at = (field: string): string => (path ? (field ? `${path}/${field}` : path) : field)
  const report = (field: string, message: string, code: ProblemCode = 'format'): undefined => {
    problems.push({ code, path: at(field), message })
    return undefined
  }
  const present = (field: string): unknown => (Object.hasOwn(source, field) ? (source[field] ?? undefined) : undefined)
  const named = (field: string): string => (path ? `${path} ${field}` : field)
  return {
    raw: present,
    record: () => source,
    report,
    number(field, limits = {}) {
      const value = present(field)
      if (value === undefined) return undefined
      if (typeof value !== 'number' || !Number.isFinite(value))
        return report(field, `${named(field)} must be a number, not ${JSON.stringify(value)}.`)
      const { least = -Infinity, greatest = Infinity } = limits
      if (value < least || value > greatest) {
        const range = greatest === Infinity ? `${least} or more` : `from ${least} to ${greatest}`
        return report(field, `${named(field)} must be ${range}, not ${value}.`)
      }
      if (limits.whole && !Number.isInteger(value)) return report(field, `${named(field)} must be a whole number, not ${value}.`)
      return value
    },
    text(field) {
      const value = present(field)
      if (value === undefined || typeof value === 'string') return value
      return report(field, `${named(field)} must be a text.`)
    },
    word(field, allowed) {
      const value = present(field)
      if (value === undefined) return undefined
      const word = allowed.find((one) => one === value)
      return word ?? report(field, `${named(field)} cannot be ${JSON.stringify(value)}: use one of ${allowed.join(', ')}.`)
    },
    words(field, allowed, code) {
      const value = present(field)
      if (value === undefined) return []
      if (!Array.isArray(value)) {
        report(field, `${named(field)} must be a list.`)
        return []
      }
      return value.flatMap((one: unknown) => {
        const word = allowed.find((known) => known === one)
        if (!word) report(field, `${named(field)} does not know ${JSON.stringify(one)}: use ${allowed.join(', ')}.`, code)
        return word ? [word] : []
      })
    },
    list(field) {
      const value = present(field)
      if (value === undefined) return []
      if (Array.isArray(value)) return value
      report(field, `${named(field)} must be a list.`)
      return []
    },
    object(field) {
      const value = present(field)
      if (value === undefined) return null
      return createFieldReader(value, at(field), problems) ?? report(field, `${named(field)} must be an object.`) ?? null
    },
    objects(field) {
      const value = present(field)
      if (value === undefined) return []
      if (!Array.isArray(value)) {
        report(field, `${named(field)} must be a list.`)
        return []
      }
      return value.flatMap((one: unknown, index) => {
        const entry = createFieldReader(one, `${at(field)}/${index}`, problems)
        if (!entry) report(`${field}/${index}`, `${named(field)} must hold objects.`)
        return entry ?? []
      })
    },
    time(field) {
      const value = present(field)
      if (value === undefined) return undefined
      const hasOffset = typeof value === 'string' && /(Z|[+-]\d{2}:?\d{2})$/.test(value) && DateTime.fromISO(value).isValid
      return hasOffset ? value : report(field, `${named(field)} must be a time with its offset, such as 2026-01-31T08:15:00+01:00.`)
    },
    zone(field) {
      const value = present(field)
      if (value === undefined) return undefined
      const isZone = typeof value === 'string' && IANAZone.isValidZone(value)
      return isZone ? value : report(field, `${named(field)} must be a zone name such as Etc/UTC.`)
    },
    warnUnknown(known, what = 'a case', code = 'format') {
      for (const field of Object.keys(source)) {
        if (!known.includes(field)) report(field, `The field "${field}" is not part of ${what}: remove it or check its spelling.`, code)
      }
    },
  }
}
