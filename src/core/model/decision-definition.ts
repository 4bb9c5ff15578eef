import type { StockItem } from './clinical-case'
import type { DecisionUnit } from './decision'

export type DecisionKind = 'number' | 'whole' | 'list' | 'choice' | 'text' | 'yes-no'

/** What a decision is before any case: its words, and which values a clinician may put in place of the computed one. */
export interface DecisionDefinition {
  readonly id: string
  readonly label: string
  readonly kind: DecisionKind
  /** Null for a bare count and for words. */
  readonly unit: DecisionUnit | null
  /** Range of a number, and of every entry of a list, in `unit`. */
  readonly least: number
  readonly greatest: number
  /** The least difference that matters in practice, in `unit`; for words any difference does, and this is 0. */
  readonly step: number
  /** For a choice: what may be chosen, from the sizes at hand where it is a size. */
  readonly choices: (items: readonly StockItem[]) => readonly (string | number)[]
  /** For a size or a height: whether a shelf item is the one that a value names. */
  readonly isItem?: (item: StockItem, value: unknown) => boolean
  /** What it is for at the bedside; `know` where it is left out. */
  readonly use?: DecisionUse
  /** What the rest of the product does with it. */
  readonly roles?: readonly DecisionRole[]
  /** Cure times come in hours or minutes by material: the second unit, and its greatest value. */
  readonly alternative?: { readonly unit: DecisionUnit; readonly greatest: number }
}

/** What the rest of the product does with a decision, so that it never has to know one by name. */
export type DecisionRole =
  /** Accepting the plan sets the named item aside. */
  | 'taken'
  /** Stands in the run record and on papers. */
  | 'recorded'
  /** A width of what is cut, tried among those in stock. */
  | 'width-on-trial'
  /** Says how long there is before it sets. */
  | 'sets'
  /** How much of the limb a shell covers, as a share. */
  | 'coverage'
  /** How many layers an opened cast has. */
  | 'layers-on'
  /** Worked out from what is found on the patient: it stands as a reading and changes no plan. */
  | 'found'
  /** Looked at before a cast is opened. */
  | 'before-opening'

/** What a figure is for: it is cut or set to, wrapped or strapped by, held to, or good to know. */
export const decisionUses = ['cut', 'wrap', 'hold', 'know'] as const
export type DecisionUse = (typeof decisionUses)[number]

/** A decision with what it is for at the bedside. */
export function forUse(use: DecisionUse, definition: DecisionDefinition): DecisionDefinition {
  return { ...definition, use }
}

/** A decision with what the rest of the product does with it. */
export function withRoles(definition: DecisionDefinition, ...roles: readonly DecisionRole[]): DecisionDefinition {
  return { ...definition, roles: [...(definition.roles ?? []), ...roles] }
}

/** Whether a decision is used as `role`. */
export function hasRole(definition: DecisionDefinition, role: DecisionRole): boolean {
  return definition.roles?.includes(role) === true
}

type Range = Partial<Pick<DecisionDefinition, 'least' | 'greatest' | 'step' | 'alternative'>>
type Define = (id: string, label: string, range?: Range) => DecisionDefinition

const none = (): readonly never[] => []
const figure =
  (kind: 'number' | 'whole' | 'list', unit: DecisionUnit | null, least: number, greatest: number, step: number): Define =>
  (id, label, range = {}) => ({ id, label, kind, unit, least, greatest, step, choices: none, ...range })

// Ranges where a decision names none of its own; pressures, shares and warmth are our own estimates.
export const lengthCm = figure('number', 'cm', 1, 250, 0.5)
export const widthCm = figure('number', 'cm', 2, 60, 0.5)
/** A distance that may be nought or, where two edges are compared, below it. */
export const marginCm = figure('number', 'cm', -20, 60, 0.5)
export const placesCm = figure('list', 'cm', 1, 250, 0.5)
export const angleDeg = figure('number', 'deg', -30, 150, 1)
export const minutes = figure('number', 'min', 0, 1440, 1)
export const hours = figure('number', 'h', 0, 240, 1)
export const massKg = figure('number', 'kg', 0, 30, 0.5)
export const forceN = figure('number', 'N', 0, 300, 5)
export const pressureKpa = figure('number', 'kPa', 0, 60, 0.5)
export const warmthC = figure('number', '°C', 10, 90, 0.5)
export const share = figure('number', 'ratio', 0, 1, 0.02)
export const factor = figure('number', 'ratio', 0, 100_000, 0.1)
export const layers = figure('whole', 'layers', 1, 30, 1)
export const rolls = figure('whole', 'rolls', 1, 40, 1)
export const people = figure('whole', 'people', 1, 8, 1)
export const count = figure('whole', null, 0, 30, 1)

/** One of a few words. */
export function choice(id: string, label: string, words: readonly string[]): DecisionDefinition {
  return { ...plain(id, label, 'choice'), choices: () => words }
}

/** A size of a device: one that the catalogue or the list at hand has. */
export function sizeOf(id: string, label: string, matches: (item: StockItem) => boolean): DecisionDefinition {
  return {
    ...plain(id, label, 'choice'),
    choices: (items) => unique(items.flatMap((item) => (matches(item) ? (item.size ?? []) : []))),
    isItem: (item, value) => matches(item) && item.size === value,
  }
}

/** The height that an adjustable collar is set to, cm: one that some collar at hand locks at. */
export function heightSetting(id: string, label: string, matches: (item: StockItem) => boolean): DecisionDefinition {
  return {
    ...plain(id, label, 'choice'),
    unit: 'cm',
    choices: (items) => unique(items.flatMap((item) => (matches(item) ? (item.setting ?? []) : []))).sort((a, b) => a - b),
    isItem: (item, value) => matches(item) && item.setting === value,
  }
}

/** Words of one's own. */
export function words(id: string, label: string): DecisionDefinition {
  return plain(id, label, 'text')
}

/** Yes or no. */
export function yesNo(id: string, label: string): DecisionDefinition {
  return plain(id, label, 'yes-no')
}

function plain(id: string, label: string, kind: DecisionKind): DecisionDefinition {
  return { id, label, kind, unit: null, least: 0, greatest: 0, step: 0, choices: none }
}

function unique<T>(values: readonly T[]): T[] {
  return [...new Set(values)]
}

/** Longest text and longest list that a person would type. */
const mostLetters = 120
const mostEntries = 40

/**
 * Why a value cannot stand in place of the computed one, as one sentence with the decision, the reason and the remedy; null
 * when it can.
 * @param value as it came: of any type
 * @param items sizes at hand: the catalogue and the case's own list
 * @param unit the unit in force where the decision has two; without it either is allowed
 */
export function refuseValue(
  definition: DecisionDefinition,
  value: unknown,
  items: readonly StockItem[],
  unit?: DecisionUnit | null,
): string | null {
  const { label } = definition
  switch (definition.kind) {
    case 'number':
    case 'whole': {
      const greatest = greatestOf(definition, unit)
      const isFigure = typeof value === 'number' && Number.isFinite(value) && (definition.kind === 'number' || Number.isInteger(value))
      if (isFigure && value >= definition.least && value <= greatest) return null
      return `${label} must be ${describeRange(definition, unit)}, not ${shown(value)}: enter a figure in that range.`
    }
    case 'list': {
      const isList =
        Array.isArray(value) &&
        value.length > 0 &&
        value.length <= mostEntries &&
        value.every((one, index) => isWithin(definition, one) && (index === 0 || one > (value[index - 1] as number)))
      return isList ? null : `${label} must be ${describeRange(definition, unit)}, not ${shown(value)}: enter them one after another.`
    }
    case 'choice': {
      const choices = definition.choices(items)
      if (choices.some((one) => one === value)) return null
      return `${label} cannot be ${shown(value)}: choose one of ${choices.join(', ') || 'the sizes at hand, of which there are none'}.`
    }
    case 'text':
      return typeof value === 'string' && value.trim() !== '' && value.length <= mostLetters
        ? null
        : `${label} must be 1 to ${mostLetters} letters, not ${shown(value)}: write it in words.`
    case 'yes-no':
      return typeof value === 'boolean' ? null : `${label} is yes or no, not ${shown(value)}: choose one.`
  }
}

/** The range of a decision in words: "from 2 to 60 cm", "a whole number from 1 to 30 layers". */
export function describeRange(definition: DecisionDefinition, unit?: DecisionUnit | null): string {
  const { least, greatest, alternative } = definition
  const inUsual = `from ${least} to ${greatest}${named(definition.unit)}`
  const inOther = alternative ? `from ${least} to ${alternative.greatest}${named(alternative.unit)}` : ''
  const range = !alternative || unit === definition.unit ? inUsual : unit === alternative.unit ? inOther : `${inUsual}, or ${inOther}`
  if (definition.kind === 'whole') return `a whole number ${range}`
  if (definition.kind === 'list') return `a list of 1 to ${mostEntries} figures in rising order, each ${range}`
  return range
}

function named(unit: DecisionUnit | null): string {
  if (unit === null || unit === 'ratio') return ''
  return unit === 'deg' ? '°' : ` ${unit}`
}

function greatestOf({ greatest, unit: usual, alternative }: DecisionDefinition, unit: DecisionUnit | null | undefined): number {
  if (!alternative || unit === usual) return greatest
  return unit === undefined ? Math.max(greatest, alternative.greatest) : alternative.greatest
}

function isWithin(definition: DecisionDefinition, value: unknown): value is number {
  return typeof value === 'number' && value >= definition.least && value <= definition.greatest
}

function shown(value: unknown): string {
  const text = (JSON.stringify(value) as string | undefined) ?? 'nothing'
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}
