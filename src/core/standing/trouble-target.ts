import type { Danger } from '../model/danger'
import type { Watched } from '../model/observation'
import type { Trouble } from '../model/trouble'
import { isItemOf } from '../rounds/item-ids'
import type { PartId } from '../rounds/look'
import { dangerOf } from './danger-of'

/**
 * The item that a round looks at to end a trouble; null where none does.
 * @param part the injured limb, or the block of the hurt neck or trunk; null while it is not known
 */
export function targetOf(trouble: Trouble, part: PartId | null): { readonly part: PartId; readonly item: string } | null {
  if (!trouble.item || part === null) return null
  const isLimb = part.startsWith('leg') || part.startsWith('arm')
  const isWhole = isLimb && (trouble.item === 'feeling' || trouble.item === 'movement')
  return isWhole || isItemOf(part, trouble.item) ? { part, item: trouble.item } : null
}

/** What danger a trouble is: what it says itself, what its item says, or its own list of steps. */
export function dangerOfTrouble({ danger, item, id }: Trouble, watched: Watched): Danger {
  if (danger) return danger
  return item ? dangerOf({ item, code: `trouble-${id}`, isLow: false, watched, isBeforeAnalgesia: false }) : 'own'
}

/**
 * Troubles as they are offered: the urgent ones first, what stops heart and breath before the rest of them; else in the order of the device.
 * @param watched what rounds of the case look at
 */
export function orderTroubles(troubles: readonly Trouble[], watched: Watched): readonly Trouble[] {
  const rank = (trouble: Trouble): number => {
    if (trouble.level !== 'urgent') return 2
    return firstDangers.includes(dangerOfTrouble(trouble, watched)) ? 0 : 1
  }
  return troubles.toSorted((a, b) => rank(a) - rank(b))
}

const firstDangers: readonly Danger[] = ['arrest', 'breathing', 'slow-breathing', 'vomiting']
