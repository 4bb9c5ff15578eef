import { flagWords } from '#core/model/flag-words'
import { patterns } from '#core/model/vocabulary'
import { techniques } from '#core/techniques/registry'
import { eventKinds } from '#contract/events/index'
import { retiredIn } from './retired-words'

/** Ids that are words of the trade as well. */
const alsoWords = new Set([
  'high-energy',
  'hand-over',
  'head-tilt',
  'leg-cast',
  'next-change',
  'read-back',
  'head-injury',
  'nerve-block',
  'wrist-sprain',
])
const ids = [
  ...techniques.flatMap((technique) => [
    technique.id,
    ...technique.decisions.map((decision) => decision.id),
    ...technique.options.map((option) => option.id),
  ]),
  ...Object.keys(flagWords),
  ...patterns,
  ...Object.keys(eventKinds),
].filter((id) => id.includes('-') && !alsoWords.has(id))
const idPattern = new RegExp(String.raw`(?<![\w-])(${[...new Set(ids)].sort((a, b) => b.length - a.length).join('|')})(?![\w-])`)

const faults: readonly (readonly [what: string, pattern: RegExp])[] = [
  ['a value that is none', /(?<!\w)(undefined|NaN|Infinity|null)(?!\w)|\[object/],
  ['an id of the machine', /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}/],
  ['a name from the code', /(?<![\w-])(?!mmHg)[a-z]{2,}[A-Z][a-z]+\w*/],
  ['an id', idPattern],
  ['JSON', /[{}]|":/],
  ['a time for machines', /\d{4}-\d{2}-\d{2}T\d/],
  [
    'one of many',
    /(?<![\d.,])1 (people|minutes|hours|rounds|layers|rolls|cases|entries|days|steps|readings|stops|cautions|photos|turns|fingers|pieces)\b/,
  ],
  ['a figure twice its unit', /(cm cm|kg kg|min min)/],
]

/** What in a text is not for people to read, each with the words around it. */
export function faultsInWords(text: string): readonly string[] {
  const retired = retiredIn(text).map((one) => `a retired word, ${one}`)
  const faulty = faults.flatMap(([what, pattern]) => {
    const found = pattern.exec(text)
    return found ? [`${what}: …${text.slice(Math.max(0, found.index - 40), found.index + 50).replaceAll('\n', ' / ')}…`] : []
  })
  return [...faulty, ...retired]
}
