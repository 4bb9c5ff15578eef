import { dictionary } from '@zxcvbn-ts/language-common'

const common = new Set(dictionary['passwords-common'])

/** Whether a password is among those that most people choose, which are tried first; capitals and figures at its end make it no other. */
export function isCommon(password: string): boolean {
  const plain = password.normalize('NFKC').toLowerCase()
  return common.has(plain) || common.has(plain.replace(/[\d!?.]+$/, ''))
}

/** Whether a password is one piece of at most five signs over and over, or has fewer than five different ones. */
export function isRepeated(password: string): boolean {
  const plain = password.normalize('NFKC').toLowerCase()
  const isOver = [1, 2, 3, 4, 5].some(
    (length) =>
      plain ===
      plain
        .slice(0, length)
        .repeat(Math.ceil(plain.length / length))
        .slice(0, plain.length),
  )
  return isOver || new Set(plain).size < 5
}
