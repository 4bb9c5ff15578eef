import { cmToInches } from './length'

/** What lengths are read in. */
export type DisplayUnits = 'metric' | 'inches'

const number = String.raw`\d+(?:[.,]\d+)?`
/** Figures that end in cm: one, or several that share the unit, as "2–3 cm", "12.9, 49.6 and 73 cm", "5 by 10 cm". */
const lengths = new RegExp(String.raw`(${number})((?:\s*(?:–|,|to|or|and|by|×)\s*${number})*)\s*(cm|mm)\b(?!²)`, 'g')

function inches(figure: string, unit: string): string {
  return cmToInches(Number(figure.replace(',', '.')) * (unit === 'mm' ? 0.1 : 1)).toFixed(1)
}

/**
 * A text with its lengths in the reader's units. A count before a sign of times is none: "2 × 10 cm" are two rolls of 10 cm.
 * @example wordsInUnits('fold 2–3 cm', 'inches') // 'fold 0.8–1.2 in'
 */
export function wordsInUnits(text: string, units: DisplayUnits): string {
  if (units === 'metric') return text
  return text.replace(lengths, (_all, first: string, rest: string, unit: string) => {
    const parts = [first, ...rest.split(new RegExp(`(${number})`))]
    const isCount = /^\s*×/.test(rest)
    const said = parts.map((part, index) => (new RegExp(`^${number}$`).test(part) && !(index === 0 && isCount) ? inches(part, unit) : part))
    return `${said.join('')} in`
  })
}

/** Names under which something stands that people read. */
const read = new Set([
  'text',
  'why',
  'prevents',
  'say',
  'remedy',
  'note',
  'display',
  'computedDisplay',
  'formula',
  'message',
  'how',
  'items',
  'care',
  'landmarks',
  'posture',
])

/** Whatever people read in a part of a plan, in the reader's units; the same object where they read metric. */
export function inUnits<T>(part: T, units: DisplayUnits): T {
  return units === 'metric' ? part : (convert(part, units, false) as T)
}

function convert(value: unknown, units: DisplayUnits, isRead: boolean): unknown {
  if (typeof value === 'string') return isRead ? wordsInUnits(value, units) : value
  if (Array.isArray(value)) return value.map((one: unknown) => convert(one, units, isRead))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, convert(one, units, read.has(key))]))
}
