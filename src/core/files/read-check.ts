import type { ClinicalCase } from '../model/clinical-case'
import { createFieldReader, type FieldReader } from './field-reader'
import type { Problem } from '../model/problem'
import { neckItems, spineItems, strengthLimbs } from '../rounds/judge-column'
import { readCase } from './read-case'
import { sides, swellings } from '../model/vocabulary'
import {
  colours,
  feelings,
  isCannotAssess,
  movements,
  nerves,
  pulses,
  warmths,
  type ColumnFindings,
  type Item,
  type LimbFindings,
  type RoundInput,
} from '../model/observation'

const skins = ['intact', 'reddens-and-blanches', 'red-not-blanching', 'broken'] as const

export interface ReadCheck {
  readonly clinicalCase: ClinicalCase | null
  readonly rounds: readonly RoundInput[]
  readonly problems: readonly Problem[]
}

/** Reads an unknown value as a check file: a case with its rounds. Every fault is reported at once. */
export function readCheck(data: unknown): ReadCheck {
  const problems: Problem[] = []
  const file = createFieldReader(data, '', problems)
  if (!file || file.raw('format') !== 'zesty-wren/check' || file.raw('version') !== 1) {
    return {
      clinicalCase: null,
      rounds: [],
      problems: [
        {
          code: 'format',
          path: 'format',
          message: 'This is not a check file of version 1: set "format" to "zesty-wren/check" and "version" to 1.',
        },
      ],
    }
  }
  const read = readCase(file.raw('case'))
  problems.push(...read.problems.map((one) => ({ ...one, path: one.path ? `case/${one.path}` : 'case' })))
  const rounds = file.list('rounds').flatMap((one, index) => readRound(one, `rounds/${index}`, problems))
  if (rounds.length === 0)
    problems.push({ code: 'missing', path: 'rounds', message: 'There is no round to judge: add at least one under "rounds".' })
  return { clinicalCase: read.clinicalCase, rounds, problems }
}

/**
 * Reads one round of unknown shape.
 * @param path slash path of the round, for problems
 * @returns one round, or none when it is not an object or has no time
 */
export function readRound(data: unknown, path: string, problems: Problem[]): readonly RoundInput[] {
  const from = createFieldReader(data, path, problems)
  if (!from) {
    problems.push({ code: 'format', path, message: 'A round must be an object with atMin and limbs.' })
    return []
  }
  const atMin = from.number('atMin', { least: -100_000, greatest: 1_000_000 })
  if (atMin === undefined) {
    from.report('atMin', 'A round must say when it was done: minutes from application in atMin.')
    return []
  }
  return [
    {
      atMin,
      baseline: from.raw('baseline') === true,
      analgesia: from.raw('analgesia') === true,
      limbs: from.list('limbs').flatMap((one, index) => readLimb(one, `${path}/limbs/${index}`, problems)),
      ...(from.raw('neck') === undefined ? {} : { neck: readColumn(from.object('neck'), neckItems) }),
      ...(from.raw('spine') === undefined ? {} : { spine: readColumn(from.object('spine'), spineItems) }),
    },
  ]
}

function readColumn(from: FieldReader | null, items: typeof neckItems): ColumnFindings {
  if (!from) return {}
  from.warnUnknown([...items.map((item) => item.id), ...strengthLimbs.map((limb) => `strength-${limb}`), 'feelingLevel'])
  const found: Record<string, Item<string | number>> = {}
  for (const { id } of items) {
    const raw = from.raw(id)
    const item = isCannotAssess(raw) ? raw : from.text(id)
    if (item !== undefined) found[id] = item
  }
  for (const limb of strengthLimbs) {
    const item = numberItem(from, `strength-${limb}`, 5)
    if (item !== undefined) found[`strength-${limb}`] = item
  }
  const level = from.raw('feelingLevel')
  if (isCannotAssess(level)) found['feelingLevel'] = level
  else if (level !== undefined) found['feelingLevel'] = from.text('feelingLevel') ?? ''
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
  return [
    strip({
      limb,
      side,
      colour: wordItem(from, 'colour', colours),
      colourUsual: from.raw('colourUsual') === true ? true : undefined,
      warmth: wordItem(from, 'warmth', warmths),
      refillS: numberItem(from, 'refillS', 20),
      pulse: wordItem(from, 'pulse', pulses),
      movement: nerveItems(from, 'movement', limb, movements),
      feeling: nerveItems(from, 'feeling', limb, feelings),
      swelling: wordItem(from, 'swelling', swellings),
      restPain: numberItem(from, 'restPain', 10),
      stretchPain: yesNoItem(from, 'stretchPain'),
      tight: yesNoItem(from, 'tight'),
      painBeyondExpected: from.raw('painBeyondExpected') === true ? true : undefined,
      spotPain: from.raw('spotPain') === true ? true : undefined,
      skin: wordItem(from, 'skin', skins),
      also: from.raw('also') === undefined ? undefined : from.list('also').filter((one): one is string => typeof one === 'string'),
    }),
  ]
}

function wordItem<W extends string>(from: FieldReader, field: string, allowed: readonly W[]): Item<W> | undefined {
  const value = from.raw(field)
  return isCannotAssess(value) ? value : from.word(field, allowed)
}

function numberItem(from: FieldReader, field: string, greatest: number): Item<number> | undefined {
  const value = from.raw(field)
  return isCannotAssess(value) ? value : from.number(field, { least: 0, greatest })
}

function yesNoItem(from: FieldReader, field: string): Item<boolean> | undefined {
  const value = from.raw(field)
  if (value === undefined || typeof value === 'boolean' || isCannotAssess(value)) return value
  from.report(field, `${field} must be true or false.`)
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
  items.warnUnknown(nerves[limb].map((nerve) => nerve.id))
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
