import type { ReadingUnit } from './units'

export type ParsedReading =
  | { readonly ok: true; readonly value: number; readonly unit: ReadingUnit | null }
  | { readonly ok: false; readonly message: string }

const unitWords: Record<string, ReadingUnit> = {
  cm: 'cm',
  mm: 'mm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  fw: 'fw',
  finger: 'fw',
  fingers: 'fw',
  deg: 'deg',
  '°': 'deg',
}
const number = String.raw`[+-]?\d+(?:[.,]\d+)?|[+-]?[.,]\d+`
const unit = String.raw`[a-z]+|["'″′°]`
const plainPattern = new RegExp(`^(${number})\\s*(${unit})?$`)
const fractionPattern = new RegExp(String.raw`^([+-]?\d+)?(?:[\s-]+|(?<!\d))(\d+)\s*[/⁄]\s*(\d+)\s*(${unit})?$`)
const feetPattern = new RegExp(String.raw`^(\d+)\s*(?:ft|foot|feet|'|′)\s*(.+?)\s*(?:in|inch|inches|"|″)?$`)

/**
 * Reads a measurement as typed: "38", "38,5", "15 1/4 in", "15¼ in", `15.25"`, "5 ft 7", "380 mm", "3 fw", "90 deg".
 * @param text as typed; case and outer blanks do not matter
 * @returns the figure with its unit (null when none was typed), or a message that says what to type instead.
 *   Refused as ambiguous: "1,234" (thousands or decimals?), a fraction without a unit, unknown units.
 */
export function parseReading(text: string): ParsedReading {
  const trimmed = spellFractions(text.trim().toLowerCase().replaceAll('−', '-'))
  if (trimmed === '') return refuse('Nothing was typed: enter a figure such as 38.5.')
  const feet = feetPattern.exec(trimmed)
  if (feet?.[2]) return readFeetAndInches(Number(feet[1]), feet[2], text)
  const fraction = fractionPattern.exec(trimmed)
  if (fraction) return readFraction(fraction, text)
  const plain = plainPattern.exec(trimmed)
  if (!plain) return refuse(`"${text}" is not a figure: type it like 38.5, 15 1/4 in, 380 mm or 3 fw.`)
  const digits = plain[1] ?? ''
  if (/^[+-]?\d{1,3},\d{3}$/.test(digits)) {
    return refuse(`"${text}" could be thousands or decimals: type the decimal with a point.`)
  }
  return withUnit(Number(digits.replace(',', '.')), plain[2], text)
}

const fractionSigns: Readonly<Record<string, string>> = { '¼': '1/4', '½': '1/2', '¾': '3/4' }

/** "15½" as "15 1/2". */
function spellFractions(text: string): string {
  return text.replace(/(\d?)\s*([¼½¾])/g, (_, digit: string, sign: string) => `${digit}${digit && ' '}${fractionSigns[sign] ?? sign}`)
}

function readFeetAndInches(feet: number, rest: string, typed: string): ParsedReading {
  const inches = parseReading(`${rest} in`)
  if (!inches.ok || inches.value < 0 || inches.value >= 12) {
    return refuse(`"${typed}" does not read as feet and inches: type it like 5 ft 7, with inches under 12.`)
  }
  return { ok: true, value: feet * 12 + inches.value, unit: 'in' }
}

function readFraction(match: RegExpExecArray, typed: string): ParsedReading {
  const [, whole = '0', top = '0', bottom = '0', unitWord] = match
  if (Number(bottom) === 0) return refuse(`"${typed}" divides by zero: check the fraction.`)
  if (Number(top) >= Number(bottom)) {
    return refuse(`"${typed}" has a fraction of one or more: type the whole number before it.`)
  }
  if (!unitWord) return refuse(`"${typed}" is a fraction without a unit: add in or cm.`)
  const size = Math.abs(Number(whole)) + Number(top) / Number(bottom)
  return withUnit(whole.startsWith('-') ? -size : size, unitWord, typed)
}

function withUnit(value: number, word: string | undefined, typed: string): ParsedReading {
  if (word === undefined) return { ok: true, value, unit: null }
  const known = Object.hasOwn(unitWords, word) ? unitWords[word] : undefined
  if (!known) return refuse(`"${typed}" has the unknown unit "${word}": use cm, mm, in, ft, fw or deg.`)
  return { ok: true, value, unit: known }
}

function refuse(message: string): ParsedReading {
  return { ok: false, message }
}
