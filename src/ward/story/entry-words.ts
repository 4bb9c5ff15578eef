import { spoken } from '#core/model/vocabulary'
import { findEventKind } from '#contract/events/index'
import { upcastBody } from '#contract/events/upcast'
import { enteredValues } from '#contract/records/entered-values'

const longest = 400

/**
 * What an entry says, in one line: for whoever has to look through what somebody else entered.
 * @param v version of its body
 */
export function entryWords(kind: string, v: number, body: unknown): string {
  const definition = findEventKind(kind)
  const known = definition ? upcastBody(kind, v, body) : body
  const words = definition?.words?.(known as object) ?? namedWords(kind, known)
  const text = words.charAt(0).toUpperCase() + words.slice(1)
  return text.length > longest ? `${text.slice(0, longest - 1)}…` : text
}

function namedWords(kind: string, body: unknown): string {
  const name = spoken(kind)
  const entered = enteredValues(body).map((said) => (said.startsWith(`${name} `) ? said.slice(name.length + 1) : said))
  return entered.length > 0 ? `${name}: ${entered.join(', ')}` : name
}
