import type { ReadingUnit } from './units'
import { cmToInches } from './length'
import { parseReading } from './parse-reading'

/** A place that may be named in a quick entry. */
export interface QuickPlace {
  readonly id: string
  readonly label: string
}

export interface QuickReading {
  readonly id: string
  readonly value: number
  readonly unit: ReadingUnit | null
  /** The part of the line that it came from. */
  readonly typed: string
  readonly side: 'left' | 'right' | null
}

export type QuickEntry =
  | { readonly ok: true; readonly readings: readonly QuickReading[] }
  | { readonly ok: false; readonly message: string }

/**
 * Reads several readings typed in one line: "calf 37.2, ankle 22 1/4in, neck 3fw". Parts are set apart by commas or
 * semicolons; a comma between digits is a decimal one. A place is named by the beginnings of its words; "left" or
 * "right" (l, r) may stand before or after it.
 * @param places the places that are asked for; a name that fits several is refused
 * @returns every reading, or the first fault: nothing is taken by halves
 */
export function parseQuickEntry(line: string, places: readonly QuickPlace[]): QuickEntry {
  const parts = line
    .split(/;|,(?!\d)/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
  if (parts.length === 0) return { ok: false, message: 'Nothing was typed: name a place and its figure, such as calf 37.2.' }
  const readings: QuickReading[] = []
  for (const part of parts) {
    const read = readPart(part, places)
    if ('message' in read) return { ok: false, message: read.message }
    readings.push(read)
  }
  return { ok: true, readings }
}

/** A place with what it usually is, for an example. */
export interface UsualPlace extends QuickPlace {
  /** Share of the stature; null where stature says nothing about it. */
  readonly statureShare: number | null
}

const usualHeightCm = 171

/**
 * How several readings are typed in one line, with the first two of the places that are asked for here: the first in cm, the second in
 * quarters of an inch. Its figures are an ordinary adult's.
 * @returns null where fewer than two places have a usual figure
 */
export function exampleEntry(places: readonly UsualPlace[]): string | null {
  const [first, second] = places.filter((place) => place.statureShare !== null)
  if (!first || !second) return null
  const cm = (place: UsualPlace): number => (place.statureShare ?? 0) * usualHeightCm
  const quarters = Math.round(cmToInches(cm(second)) * 4)
  const rest = ['', ' 1/4', ' 1/2', ' 3/4'][quarters % 4] ?? ''
  return `${nameFor(first, places)} ${cm(first).toFixed(1)}, ${nameFor(second, places)} ${Math.floor(quarters / 4)}${rest} in`
}

/** As few words of a label as name no other place. */
function nameFor(place: UsualPlace, places: readonly QuickPlace[]): string {
  const words = place.label
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean)
  const least = words.findIndex((_, index) => findPlaces(words.slice(0, index + 1), places).length === 1)
  return words.slice(0, least < 0 ? words.length : least + 1).join(' ')
}

function readPart(part: string, places: readonly QuickPlace[]): QuickReading | { readonly message: string } {
  const match = /^(\D*?[a-z-])\s*([+-]?[\d.,¼½¾].*)$/i.exec(part)
  if (!match?.[1] || !match[2]) return { message: `"${part}" has no name or no figure: type it like calf 37.2.` }
  const words = match[1].toLowerCase().split(/[\s-]+/)
  const side = words.some(isLeft) ? 'left' : words.some(isRight) ? 'right' : null
  const named = words.filter((word) => !isLeft(word) && !isRight(word))
  const found = findPlaces(named, places)
  const [place] = found
  if (!place)
    return {
      message: `"${match[1].trim()}" is not among the places asked for: use ${places
        .slice(0, 6)
        .map((one) => one.label.toLowerCase())
        .join(', ')}.`,
    }
  if (found.length > 1)
    return { message: `"${match[1].trim()}" could be ${found.map((one) => one.label.toLowerCase()).join(' or ')}: type more of the name.` }
  const parsed = parseReading(match[2])
  if (!parsed.ok) return { message: `${place.label}: ${parsed.message}` }
  return { id: place.id, value: parsed.value, unit: parsed.unit, typed: part, side }
}

/** Places whose label or id the words begin; an exact first word beats a longer name. */
function findPlaces(words: readonly string[], places: readonly QuickPlace[]): readonly QuickPlace[] {
  if (words.length === 0) return []
  const wordsOf = (place: QuickPlace): readonly string[] => `${place.label} ${place.id}`.toLowerCase().split(/[^a-z]+/)
  const fitting = places.filter((place) => words.every((word) => wordsOf(place).some((own) => own.startsWith(word))))
  const exact = fitting.filter((place) => place.id.startsWith(`${words[0] ?? ''}-`))
  return exact.length === 1 ? exact : fitting
}

const isLeft = (word: string): boolean => word === 'left' || word === 'l'
const isRight = (word: string): boolean => word === 'right' || word === 'r'
