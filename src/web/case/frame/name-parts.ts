/** A name as a narrow place shows it: what may be shortened, and what may not. */
export interface NameParts {
  readonly given: string
  readonly family: string
  /** Written before the given names, with a comma. */
  readonly isFamilyFirst: boolean
}

/**
 * Which part of a patient's name is the family's: what stands before a comma, else the last word with the small words before it
 * (`van der Merwe`). A name of one word is all family.
 * @param name as it was entered
 */
export function nameParts(name: string): NameParts {
  const comma = name.indexOf(',')
  if (comma > 0) return { family: name.slice(0, comma + 1).trim(), given: name.slice(comma + 1).trim(), isFamilyFirst: true }
  const words = name.trim().split(/\s+/)
  let from = words.length - 1
  while (from > 1 && isSmall(words[from - 1] ?? '')) from -= 1
  return { given: words.slice(0, from).join(' '), family: words.slice(from).join(' '), isFamilyFirst: false }
}

/** Begins with a small letter of a script that has large ones. */
function isSmall(word: string): boolean {
  const first = word.charAt(0)
  return first !== first.toUpperCase()
}
