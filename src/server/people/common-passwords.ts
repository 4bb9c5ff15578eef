import { dictionary } from '@zxcvbn-ts/language-common'

const common = new Set(dictionary['passwords-common'])

/** Whether a password is among those that most people choose, which are tried first; capitals and figures at its end make it no other. */
export function isCommon(password: string): boolean {
  const plain = password.normalize('NFKC').toLowerCase()
  return common.has(plain) || common.has(plain.replace(/[\d!?.]+$/, ''))
}
