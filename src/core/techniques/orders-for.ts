import { orderKinds, type OrderKind } from '../model/orders'
import { bodyRegionOf, isColumnRegion, type Region } from '../model/vocabulary'
import type { OrderId } from '../planner/technique'
import { findTechnique } from './registry'

/** What a technique asks for that somebody signs. */
const signedAsks: Readonly<Partial<Record<OrderId, OrderKind>>> = {
  spine: 'spine',
  countertraction: 'countertraction',
  weight: 'weight',
  brace: 'brace',
  'open-now': 'cut',
  'at-home': 'atHome',
}

/** The signed orders that a technique asks for, in its order. */
export function ordersAsked(technique: string): readonly OrderKind[] {
  return (findTechnique(technique)?.asks ?? []).flatMap((ask) => signedAsks[ask] ?? [])
}

/**
 * The kinds of order that can be given for a device on a part: what it asks for first, then the rest in the order of the form.
 * @param region null while it is not known: then nothing is left out for it
 */
export function ordersFor(technique: string, region: Region | null): readonly OrderKind[] {
  const asked = ordersAsked(technique)
  const isColumn = region !== null && isColumnRegion(region)
  const isLeg = region === null || bodyRegionOf(region) === 'leg'
  const holdsPull = findTechnique(technique)?.onUrgent.holds === 'pull'
  const suits: Readonly<Partial<Record<OrderKind, boolean>>> = {
    brace: false,
    countertraction: false,
    atHome: false,
    spine: region === null || isColumn,
    pull: holdsPull,
    weight: isLeg,
    angle: !isColumn,
  }
  return [...asked, ...orderKinds.filter((kind) => !asked.includes(kind) && suits[kind] !== false)]
}
