import { shippedRounds, tableMinutes } from '../planner/schedule-rounds'
import type { Protocol } from '../quantities/defaults'
import { figureOf, protocolFigures } from './protocol-figures'

/**
 * Guards of figures that a local protocol goes beyond, in words: two leads sign before it is put in force. None where it keeps them all.
 */
export function guardsLoosened(protocol: Protocol): readonly string[] {
  const figures = protocolFigures.flatMap(({ key, group, label, value, unit, guard }) => {
    const local = figureOf(key, protocol)
    const ends = { 'never-more': [-Infinity, value], 'never-less': [value, Infinity], 'as-shipped': [value, value] } as const
    const [least, greatest] = guard ? ends[guard] : [-Infinity, Infinity]
    if (local >= least && local <= greatest) return []
    const end = { 'never-more': ' at most', 'never-less': ' at least', 'as-shipped': '' }[guard ?? 'as-shipped']
    return [`${group}, ${label}: ${local} ${unit} instead of ${value} ${unit}${end}`]
  })
  const thinner = thinnerFromMin(tableMinutes(protocol.rounds?.atRisk ?? shippedRounds.atRisk))
  return thinner === null
    ? figures
    : [...figures, `At-risk rounds are further apart than as shipped from hour ${Math.round(thinner / 6) / 10} on`]
}

/** The first minute from which a list goes longer without a round than the shipped at-risk list does; null where it nowhere does. */
function thinnerFromMin(minutes: readonly number[]): number | null {
  const shipped = tableMinutes(shippedRounds.atRisk)
  const starts = [0, ...shipped.slice(0, -1)]
  // At each moment the wait for the next round is no longer than the interval that the shipped has then.
  const local = [0, ...minutes]
  for (const [index, start] of local.entries()) {
    const next = local[index + 1] ?? Infinity
    const shippedAt = starts.findLastIndex((one) => one <= start)
    const allowed = (shipped[shippedAt] ?? 0) - (starts[shippedAt] ?? 0)
    if (start >= (shipped.at(-1) ?? 0)) return null
    if (next - start > allowed) return start
  }
  return null
}
