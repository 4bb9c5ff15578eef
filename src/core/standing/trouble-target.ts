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
