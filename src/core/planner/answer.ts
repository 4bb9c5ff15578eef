import type { Plan } from '../model/plan'
import { formatDecision, type DisplayUnits } from './format-decision'

/** What a plan decided, in words and in the reader's units. */
export interface Said {
  /** A decision without what follows its first comma; null where it is not decided. */
  readonly brief: (decision: string) => string | null
  /** Whether a decided figure is above nought. */
  readonly isSome: (decision: string) => boolean
  /** The school that was followed, or an empty text. */
  readonly school: (option: string) => string
}

/** Reads a plan for the sentence that comes first. */
export function saidOf(plan: Plan, units: DisplayUnits): Said {
  const find = (id: string): Plan['decisions'][number] | undefined =>
    plan.decisions.find((decision) => decision.id === id && decision.value !== null)
  return {
    brief: (id) => {
      const decision = find(id)
      return decision ? beforeComma(formatDecision(decision, units)) : null
    },
    isSome: (id) => Number(find(id)?.value ?? 0) > 0,
    school: (id) => String(plan.options[id] ?? ''),
  }
}

/** What stands before the first comma that is in no bracket. */
function beforeComma(words: string): string {
  let depth = 0
  for (const [at, letter] of [...words].entries()) {
    if (letter === '(') depth++
    else if (letter === ')') depth--
    else if (letter === ',' && depth === 0) return words.slice(0, at)
  }
  return words
}

/**
 * Words in which every figure is known.
 * @returns null as soon as one of them is not
 * @example known`Set the pole to ${said.brief('pole-length')}`
 */
export function known(words: TemplateStringsArray, ...figures: readonly (string | null)[]): string | null {
  if (figures.some((figure) => figure === null)) return null
  return words.reduce((text, part, index) => `${text}${figures[index - 1] ?? ''}${part}`)
}

/**
 * One sentence: what is to be done, and whatever else is known.
 * @returns null where what is to be done is not known
 */
export function sentence(lead: string | null, ...more: readonly (string | null | false)[]): string | null {
  if (lead === null) return null
  return `${[lead, ...more.filter((one): one is string => typeof one === 'string' && one !== '')].join('; ')}.`
}
