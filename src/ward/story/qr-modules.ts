import { create } from 'qrcode'

/** Light border that readers need round the code, in modules (ISO/IEC 18004). */
export const quietModules = 4

/** So much of a text goes into one code: more makes squares that a phone's camera does not tell apart on a phone's screen. */
export const mostCodeBytes = 600

/**
 * A text as the squares of a QR code, row by row, true for dark; without its light border. Read even where a seventh of it is soiled.
 * @param text `mostCodeBytes` at most: `codeTexts` cuts what is longer
 */
export function qrModules(text: string): readonly (readonly boolean[])[] {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (_, column) => modules.get(row, column) === 1),
  )
}

const bytesOf = (text: string): number => new TextEncoder().encode(text).length

/**
 * Lines as the texts of as many codes as they need, in order: a line is kept whole where it fits, and each of several says which it is.
 * @returns one text at least
 */
export function codeTexts(lines: readonly string[], mostBytes = mostCodeBytes): readonly string[] {
  // Room for "Part 10 of 12" and the line's end.
  const room = mostBytes - 20
  const parts: string[] = ['']
  for (const piece of lines.flatMap((line) => piecesOf(line, room))) {
    const last = parts.length - 1
    const joined = parts[last] ? `${parts[last]}\n${piece}` : piece
    if (bytesOf(joined) <= room) parts[last] = joined
    else parts.push(piece)
  }
  return parts.length === 1 ? parts : parts.map((part, index) => `Part ${index + 1} of ${parts.length}\n${part}`)
}

/** A line in pieces of so many bytes at most, cut between words where there are any. */
function piecesOf(line: string, most: number): readonly string[] {
  if (bytesOf(line) <= most) return [line]
  const pieces: string[] = ['']
  for (const word of line.split(' ').flatMap((one) => (bytesOf(one) <= most ? [one] : lettersOf(one, most)))) {
    const last = pieces.length - 1
    const joined = pieces[last] ? `${pieces[last]} ${word}` : word
    if (bytesOf(joined) <= most) pieces[last] = joined
    else pieces.push(word)
  }
  return pieces
}

/** A word without a gap, cut between letters. */
function lettersOf(word: string, most: number): readonly string[] {
  const pieces: string[] = ['']
  for (const letter of word) {
    const last = pieces.length - 1
    if (bytesOf(`${pieces[last]}${letter}`) <= most) pieces[last] += letter
    else pieces.push(letter)
  }
  return pieces
}
