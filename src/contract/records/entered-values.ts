import { spoken } from '#core/model/vocabulary'

const uuidPattern = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

/** What was entered, each with its name; ids of other things, and what was left empty, say nothing. */
export function enteredValues(value: unknown, name = ''): readonly string[] {
  if (value === null || value === undefined || value === '' || (typeof value === 'string' && uuidPattern.test(value))) return []
  if (Array.isArray(value)) {
    const said = value.flatMap((one) => enteredValues(one))
    return said.length > 0 ? [named(name, said.join(', '))] : []
  }
  if (typeof value === 'object') return Object.entries(value).flatMap(([key, one]) => enteredValues(one, key))
  if (typeof value === 'boolean') return [named(name, value ? 'yes' : 'no')]
  return [named(name, typeof value === 'string' && /^[a-z0-9-]+$/.test(value) ? spoken(value) : String(value))]
}

/** `stepId` is said as step, `painBefore` as pain before; what is words itself needs no name. */
function named(name: string, said: string): string {
  if (name === '' || name === 'text' || name === 'label') return said
  const words = name
    .replace(/Id$/, '')
    .replaceAll(/([A-Z])/g, ' $1')
    .toLowerCase()
  return `${words} ${said}`
}
