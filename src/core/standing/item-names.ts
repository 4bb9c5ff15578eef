import { nerves } from '../model/observation'
import { confusionItem, keyMovements, neckItems, spineItems, vitalItems } from '../model/round-items'
import { spoken } from '../model/vocabulary'

const plain: Readonly<Record<string, string>> = {
  refill: 'capillary refill',
  restPain: 'pain at rest',
  stretchPain: 'pain on stretch',
  tight: 'tightness',
  painBeyondExpected: 'pain beyond what is expected',
  spotPain: 'one-spot pain',
  level: 'level of feeling',
}

/** An item of a round in the words of a bedside; the nerve stands behind what is felt or moved. */
export function nameOfItem(item: string): string {
  const [group = '', id = ''] = item.split('/')
  const nerve = [...nerves.leg, ...nerves.arm].find((one) => one.id === id)
  if (group === 'feeling') return nerve ? `feeling at the ${nerve.feelingAt}` : 'feeling'
  if (group === 'movement') return nerve ? `movement, ${nerve.movement}` : 'movement'
  if (group === 'power')
    return `strength, ${[...keyMovements.arm, ...keyMovements.leg].find((one) => one.id === id)?.label.toLowerCase() ?? id}`
  if (group === 'skin' && id) return `skin, ${spoken(id)}`
  const named = [...neckItems, ...spineItems, ...vitalItems, confusionItem].find((one) => one.id === item)
  return plain[item] ?? named?.label.toLowerCase() ?? spoken(item)
}

/** Items in words, four at most. */
export function listOfNames(ids: readonly string[]): string {
  const names = ids.slice(0, 4).map(nameOfId).join(', ')
  return ids.length > 4 ? `${names} and ${ids.length - 4} more` : names
}

/** An id of an item, or of a part that was left out whole, in words. */
export function nameOfId(id: string): string {
  const [part = '', ...item] = id.split('/')
  return item.length === 0 ? nameOfPart(part).toLowerCase() : `${nameOfPart(part).toLowerCase()} ${nameOfItem(item.join('/'))}`
}

/** A part in words: "Left leg", "Neck". */
export function nameOfPart(part: string): string {
  const [limb = '', side] = part.split('-')
  const words = side ? `${side} ${limb}` : ({ spine: 'trunk', vital: 'circulation' }[part] ?? part)
  return words.charAt(0).toUpperCase() + words.slice(1)
}
