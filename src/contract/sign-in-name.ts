/** A name to sign in with, in its one form: letters of any script, digits, dots, underscores, hyphens; 2 to 40. */
export const signInPattern = /^[\p{L}\p{N}][\p{L}\p{N}._-]{1,39}$/u

/**
 * The one form of a name to sign in with (HARDENING): compatibility forms folded (NFKC), no blanks around it, lower case. Whatever is compared,
 * counted or kept goes by it.
 * @example signInForm(' Ｍaren ') // 'maren'
 */
export function signInForm(typed: string): string {
  return typed.normalize('NFKC').trim().toLowerCase()
}

/** Letters of other scripts that look like Latin ones in lower case. */
const lookalikes: Readonly<Record<string, string>> = {
  а: 'a',
  е: 'e',
  о: 'o',
  р: 'p',
  с: 'c',
  у: 'y',
  х: 'x',
  і: 'i',
  ѕ: 's',
  ј: 'j',
  һ: 'h',
  ԁ: 'd',
  ԛ: 'q',
  ԝ: 'w',
  ӏ: 'l',
  к: 'k',
  м: 'm',
  т: 't',
  в: 'b',
  н: 'h',
  г: 'r',
  α: 'a',
  ε: 'e',
  ι: 'i',
  κ: 'k',
  ν: 'v',
  ο: 'o',
  ρ: 'p',
  τ: 't',
  υ: 'u',
  χ: 'x',
  γ: 'y',
  ı: 'i',
  ł: 'l',
  ø: 'o',
  đ: 'd',
  ħ: 'h',
  ŧ: 't',
  ɡ: 'g',
  ɑ: 'a',
  ß: 'ss',
}

/**
 * What a name looks like: without accents, letters of other scripts as the Latin ones that they look like. Two names of one look are taken for
 * one another when they are read.
 */
export function lookOf(name: string): string {
  const bare = signInForm(name).normalize('NFD').replace(/\p{M}/gu, '')
  return [...bare].map((letter) => lookalikes[letter] ?? letter).join('')
}
