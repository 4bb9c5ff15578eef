/** Nothing but letters and digits: what the index of words keeps together. */
const between = /[^\p{L}\p{N}]+/u

/**
 * What stands before each word of a year in the index: a search looks through one year at a time, so that it costs the same however many
 * years lie behind. Short and common words are found by it too: with the year before them they are neither.
 * @param year of four digits, UTC
 */
export function yearMark(year: number): string {
  return `y${String(year % 100).padStart(2, '0')}`
}

/**
 * The words by which a case is found, each with the year in which it was opened.
 * @param search words of its line, in lower case
 */
export function datedWords(search: string, openedAt: Date): string {
  const mark = yearMark(openedAt.getUTCFullYear())
  return [...new Set(search.split(between).filter(Boolean))].map((word) => `${mark}${word}`).join(' ')
}

/**
 * A query for the index: cases of a year in which every word begins some word.
 * @returns null where the words have nothing that an index keeps
 */
export function datedQuery(words: readonly string[], year: number): string | null {
  const parts = words.flatMap((word) => word.split(between)).filter(Boolean)
  return parts.length === 0 ? null : parts.map((part) => `+${yearMark(year)}${part}*`).join(' ')
}
