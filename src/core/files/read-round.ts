import {
  blockNames,
  cannotAskReasons,
  colours,
  feelings,
  isCannotAssess,
  movements,
  nerves,
  pulses,
  warmths,
  type BlockFindings,
  type BlockName,
  type Item,
  type LimbFindings,
  type RoundInput,
} from '../model/observation'
import type { Problem } from '../model/problem'
import { alsoAskedSigns, feelingLevels, keyMovements, skinWords, vitalItems } from '../model/round-items'
import { sides, swellings } from '../model/vocabulary'
import { blockItemIds, wordItemsOf } from '../rounds/look-at-block'
import { createFieldReader, type FieldReader } from './field-reader'

const limbFields = ['limb', 'side', 'colour', 'colourUsual', 'warmth', 'refillS', 'pulse', 'movement', 'feeling', 'power', 'swelling']
const injuredFields = ['restPain', 'stretchPain', 'tight', 'painBeyondExpected', 'spotPain', 'skin', 'also']

/**
 * Reads one round of unknown shape. What cannot be read is a problem, and counts as not looked at.
 * @param path slash path of the round, for problems
 * @returns one round, or none when it is not an object or has no time
 */
export function readRound(data: unknown, path: string, problems: Problem[]): readonly RoundInput[] {
  const from = createFieldReader(data, path, problems)
  if (!from) {
    problems.push({ code: 'format', path, message: 'A round must be an object with atMin and limbs.' })
    return []
  }
  const misplaced = [...limbFields, ...injuredFields].filter((field) => from.raw(field) !== undefined)
  for (const field of misplaced) from.report(field, `${field} belongs inside the limb it was found on: move it into an entry of "limbs".`)
  from.warnUnknown(['atMin', 'baseline', 'analgesia', 'cannotAsk', 'limbs', ...blockNames, ...misplaced], 'a round', 'unknown-field')
  const atMin = from.number('atMin', { least: -100_000, greatest: 1_000_000 })
  if (atMin === undefined) {
    if (from.raw('atMin') === undefined) from.report('atMin', 'A round must say when it was done: minutes from application in atMin.')
    return []
  }
  const cannotAsk = from.raw('cannotAsk') === undefined ? undefined : from.word('cannotAsk', cannotAskReasons)
  const limbs = from.list('limbs').flatMap((one, index) => readLimb(one, `${path}/limbs/${index}`, problems))
  limbs.forEach((limb, index) => {
    if (limbs.findIndex((one) => one.limb === limb.limb && one.side === limb.side) < index)
      from.report('limbs', `The ${limb.side} ${limb.limb} is listed twice in one round: put what was found into one entry.`)
  })
  return [
    {
      atMin,
      baseline: yesNo(from, 'baseline') === true,
      analgesia: yesNo(from, 'analgesia') === true,
      ...(cannotAsk === undefined ? {} : { cannotAsk }),
      limbs,
      ...Object.fromEntries(
        blockNames.filter((name) => from.raw(name) !== undefined).map((name) => [name, readBlock(from.object(name), name)]),
      ),
    },
  ]
}

function readBlock(from: FieldReader | null, name: BlockName): BlockFindings {
  if (!from) return {}
  from.warnUnknown([...blockItemIds(name), ...(name === 'vital' ? [] : ['skin'])], `the block "${name}"`, 'unknown-field')
  const found: Record<string, Item<string | number>> = {}
  const put = (id: string, value: Item<string | number> | undefined): void => {
    if (value !== undefined) found[id] = value
  }
  for (const { id, words } of wordItemsOf[name]) put(id, wordItem(from, id, words))
  if (name === 'spine') put('level', wordItem(from, 'level', feelingLevels))
  if (name === 'vital') for (const { id, greatest } of vitalItems) put(id, numberItem(from, id, greatest))
  const skin = name === 'vital' ? null : from.object('skin')
  for (const area of Object.keys(skin?.record() ?? {})) if (skin) put(`skin/${area}`, wordItem(skin, area, skinWords))
  return found
}

function readLimb(data: unknown, path: string, problems: Problem[]): readonly LimbFindings[] {
  const from = createFieldReader(data, path, problems)
  const limb = from?.word('limb', ['leg', 'arm'] as const)
  const side = from?.word('side', sides)
  if (!from || !limb || !side) {
    problems.push({ code: 'format', path, message: 'Findings must name the limb (leg or arm) and the side (left or right).' })
    return []
  }
  from.warnUnknown([...limbFields, ...injuredFields], 'a limb', 'unknown-field')
  const power = from.object('power')
  power?.warnUnknown(
    keyMovements[limb].map((movement) => movement.id),
    `the power of a ${limb}`,
    'unknown-field',
  )
  const powers = power && keyMovements[limb].map(({ id }) => [id, numberItem(power, id, 5, true)] as const)
  const also = readAlso(from)
  return [
    strip({
      limb,
      side,
      colour: wordItem(from, 'colour', colours),
      colourUsual: yesNo(from, 'colourUsual') === true ? true : undefined,
      warmth: wordItem(from, 'warmth', warmths),
      refillS: numberItem(from, 'refillS', 20),
      pulse: wordItem(from, 'pulse', pulses),
      movement: nerveItems(from, 'movement', limb, movements),
      feeling: nerveItems(from, 'feeling', limb, feelings),
      power: powers ? (Object.fromEntries(powers.filter(([, value]) => value !== undefined)) as Record<string, Item<number>>) : undefined,
      swelling: wordItem(from, 'swelling', swellings),
      restPain: numberItem(from, 'restPain', 10),
      stretchPain: yesNoItem(from, 'stretchPain'),
      tight: yesNoItem(from, 'tight'),
      painBeyondExpected: yesNo(from, 'painBeyondExpected'),
      spotPain: yesNo(from, 'spotPain'),
      skin: wordItem(from, 'skin', skinWords),
      ...also,
    }),
  ]
}

/** Signs that were also asked for; a list with a word that is not known says nothing about the signs that it leaves out. */
function readAlso(from: FieldReader): Pick<LimbFindings, 'also' | 'isAlsoPartial'> {
  if (from.raw('also') === undefined) return {}
  const words = from.words('also', alsoAskedSigns, 'format')
  const given = from.raw('also')
  return { also: words, ...(Array.isArray(given) && given.length === words.length ? {} : { isAlsoPartial: true }) }
}

/** The reason why an item could not be judged is part of it. */
function cannotItem(from: FieldReader, field: string): Item<never> | null | undefined {
  const value = from.raw(field)
  if (!isCannotAssess(value)) return undefined
  if (typeof value.reason === 'string' && value.reason.trim()) return value
  from.report(field, `${field} cannot be assessed, but no reason is given: say why in "reason".`)
  return null
}

function itemOf<T>(from: FieldReader, field: string, read: () => T | undefined): Item<T> | undefined {
  const cannot = cannotItem(from, field)
  return cannot === undefined ? read() : (cannot ?? undefined)
}

function wordItem<W extends string>(from: FieldReader, field: string, allowed: readonly W[]): Item<W> | undefined {
  return itemOf(from, field, () => from.word(field, allowed))
}

function numberItem(from: FieldReader, field: string, greatest: number, whole = false): Item<number> | undefined {
  return itemOf(from, field, () => from.number(field, { least: 0, greatest, whole }))
}

function yesNoItem(from: FieldReader, field: string): Item<boolean> | undefined {
  return itemOf(from, field, () => yesNo(from, field))
}

function yesNo(from: FieldReader, field: string): boolean | undefined {
  const value = from.raw(field)
  if (value === undefined || typeof value === 'boolean') return value
  from.report(field, `${field} must be true or false, not ${JSON.stringify(value)}.`)
  return undefined
}

function nerveItems<W extends string>(
  from: FieldReader,
  field: string,
  limb: 'leg' | 'arm',
  allowed: readonly W[],
): Record<string, Item<W>> | undefined {
  const items = from.object(field)
  if (!items) return undefined
  items.warnUnknown(
    nerves[limb].map((nerve) => nerve.id),
    `the ${field} of a ${limb}`,
    'unknown-field',
  )
  const read: Record<string, Item<W>> = {}
  for (const { id } of nerves[limb]) {
    const item = wordItem(items, id, allowed)
    if (item !== undefined) read[id] = item
  }
  return read
}

type Stripped<T> = { [K in keyof T]: Exclude<T[K], undefined> }

function strip<T extends object>(value: T): Stripped<T> {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as Stripped<T>
}
