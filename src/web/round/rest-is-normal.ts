import type { RoundInput } from '#core/model/observation'
import { entriesOf } from './last-entries'
import { cannot, type RoundEntries, type RoundItem } from './round-items'

/** Everything that was ever entered of each item, over all rounds of the injury. */
export type EverEntered = Readonly<Record<string, readonly string[]>>

/** What one tap never calls normal on the injured part: each is the thing that gets worse there. */
const askedOnInjured: readonly string[] = ['restPain', 'stretchPain', 'swelling']
/** What is felt for itself on the injured limb before there is a baseline to hold it against. */
const askedAtFirst: readonly string[] = ['pulse']

export interface RoundCell {
  /** Key of its entry: `<column>/<item>`. */
  readonly key: string
  readonly item: RoundItem
  readonly isInjured: boolean
}

export function everEntered(rounds: readonly Omit<RoundInput, 'atMin' | 'baseline'>[], isColumn: boolean): EverEntered {
  const ever: Record<string, string[]> = {}
  for (const round of rounds) for (const [key, value] of Object.entries(entriesOf(round, isColumn))) (ever[key] ??= []).push(value)
  return ever
}

/**
 * Entries that "the rest is normal" makes: only of what was never entered at another value for this injury; never strength or a refill, which
 * nobody counted, and never of pain or swelling on the injured part; before a baseline not of its pulse either. What is left open has to be looked at.
 */
export function restIsNormal(cells: readonly RoundCell[], entries: RoundEntries, ever: EverEntered, isBaseline: boolean): RoundEntries {
  return Object.fromEntries(
    cells
      .filter((cell) => !entries[cell.key] && cell.item.normal && !isCounted(cell) && !isAsked(cell, isBaseline))
      .filter(({ key, item }) => (ever[key] ?? []).every((value) => value === item.normal))
      .map(({ key, item }) => [key, item.normal]),
  )
}

/** Whether a cell is a figure that has to be counted: strength, seconds. */
function isCounted({ item }: RoundCell): boolean {
  const isFigure = item.figure !== undefined || item.typed !== undefined
  return isFigure
}

function isAsked({ item, isInjured }: RoundCell, isBaseline: boolean): boolean {
  return isInjured && (askedOnInjured.includes(item.key) || (isBaseline && askedAtFirst.includes(item.key)))
}

/** Entries that say of all that is still open that it cannot be assessed; the reason is asked once. */
export function cannotAll(cells: readonly RoundCell[], entries: RoundEntries): RoundEntries {
  return Object.fromEntries(cells.filter(({ key }) => !entries[key]).map(({ key }) => [key, cannot]))
}
