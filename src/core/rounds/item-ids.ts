import { blockNames, nerves, type BlockName } from '../model/observation'
import { alsoAskedSigns, keyMovements } from '../model/round-items'
import { blockItemIds } from './look-at-block'
import type { PartId } from './look'

/** Every part that a round can look at. */
export const partIds: readonly PartId[] = ['arm-left', 'arm-right', 'leg-left', 'leg-right', ...blockNames]

const plainItems = [
  'colour',
  'warmth',
  'refill',
  'pulse',
  'swelling',
  'restPain',
  'stretchPain',
  'tight',
  'painBeyondExpected',
  'spotPain',
  'skin',
]

/** Whether a part has an item of this id. */
export function isItemOf(part: PartId, item: string): boolean {
  if (item.startsWith('skin/')) return part === 'neck' || part === 'spine'
  if (part === 'neck' || part === 'spine' || part === 'vital') return blockItemIds(part satisfies BlockName).includes(item)
  const limb = part.startsWith('arm') ? 'arm' : 'leg'
  const [group = '', id = ''] = item.split('/')
  if (group === 'movement' || group === 'feeling') return nerves[limb].some((nerve) => nerve.id === id)
  if (group === 'power') return keyMovements[limb].some((movement) => movement.id === id)
  return plainItems.includes(item) || alsoAskedSigns.some((sign) => sign === item)
}

/** Part and item of an id of standing (`leg-left/pulse`); null where there is no such item. */
export function readItemId(id: string): { readonly part: PartId; readonly item: string } | null {
  const part = partIds.find((one) => id.startsWith(`${one}/`))
  const item = part && id.slice(part.length + 1)
  return part && item && isItemOf(part, item) ? { part, item } : null
}
