import { randomInt } from 'node:crypto'

/** No letter or digit that is taken for another one. */
const letters = 'abcdefghkmnpqrstuvwxyz23456789'

/** A code that a machine makes and a person types. */
export function makeCode(length: number): string {
  return Array.from({ length }, () => letters[randomInt(letters.length)]).join('')
}
