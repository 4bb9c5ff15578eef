import { signInForm } from './sign-in-name'

/** Scripts that a name may be written in; those that are written together count as one. */
const scripts: readonly RegExp[] = [
  /\p{Script=Latin}/u,
  /\p{Script=Greek}/u,
  /\p{Script=Cyrillic}/u,
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\p{Script=Hangul}]/u,
  /\p{Script=Arabic}/u,
  /\p{Script=Hebrew}/u,
  /\p{Script=Devanagari}/u,
  /\p{Script=Armenian}/u,
  /\p{Script=Georgian}/u,
  /\p{Script=Thai}/u,
]

/** Signs that are not seen, or that turn the direction of what follows. */
export const hiddenSigns = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\p{Default_Ignorable_Code_Point}]/u

/** Who the program itself signs as. */
const reserved: readonly string[] = ['pager', 'system']

/** Whether all letters of a name are of one script: letters that only look like one another never stand side by side. */
export function isOneScript(name: string): boolean {
  const letters = [...name.normalize('NFKC')].filter((sign) => /\p{L}/u.test(sign))
  return new Set(letters.map((letter) => scripts.findIndex((script) => script.test(letter)))).size <= 1
}

/** Whether the program itself goes by this name. */
export function isReservedName(name: string): boolean {
  return reserved.includes(signInForm(name))
}
