/** A name to sign in with, in its one form: letters of any script, digits, dots, underscores, hyphens; 2 to 40. */
export const signInPattern = /^[\p{L}\p{N}][\p{L}\p{N}._-]{1,39}$/u

/**
 * The one form of a name to sign in with: compatibility forms folded (NFKC), no blanks around it, lower case. Whatever is compared,
 * counted or kept goes by it.
 * @example signInForm(' Ｍaren ') // 'maren'
 */
export function signInForm(typed: string): string {
  return typed.normalize('NFKC').trim().toLowerCase()
}
