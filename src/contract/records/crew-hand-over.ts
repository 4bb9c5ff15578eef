import type { Recorded } from './run'

/** What a side was told of: lines of the receiver's card, as they stood then. */
interface Told {
  readonly told: readonly string[]
}

/** How one crew gives a patient to whoever goes on: done once both have said so, in whichever order. */
export interface CrewHandOver {
  /** "I give over". */
  readonly given?: Recorded & Told & { readonly to: string }
  /** "I have the patient"; without words where the crew had gone. */
  readonly received?: Recorded & Told & { readonly withoutWords?: true }
}

/** Whether both sides have said it, or the receiver said that nobody was there to say it. */
export function isHandedOver(handOver: CrewHandOver | undefined): boolean {
  if (!handOver?.received) return false
  return handOver.given !== undefined || handOver.received.withoutWords === true
}

/** A hand-over with what one side says of it: where both had said it before, a new one begins. */
export function withSide(before: CrewHandOver | undefined, side: CrewHandOver): CrewHandOver {
  return before?.given && before.received ? side : { ...before, ...side }
}

/** What a case says of its hand-over, in one line; null where nobody has begun one. @param at how a time is said */
export function handOverWords({ given, received }: CrewHandOver, at: (iso: string) => string): string | null {
  const said = [
    given ? `${given.by} gave over${given.to ? ` to ${given.to}` : ''}, ${at(given.at)}` : '',
    received ? `${received.by} has the patient, ${at(received.at)}${received.withoutWords ? ', taken without words' : ''}` : '',
  ].filter(Boolean)
  return said.length === 0 ? null : said.join('; ')
}
