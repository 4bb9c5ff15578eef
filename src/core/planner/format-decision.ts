import { cmToInches } from '../quantities/length'
import { wordsInUnits, type DisplayUnits } from '../quantities/words-in-units'
import { roundTo } from '../quantities/rounding'
import type { Decision, DecisionUnit, DecisionValue } from '../model/decision'

export type { DisplayUnits }

const decimalsByUnit: Record<DecisionUnit, number> = {
  cm: 1,
  deg: 0,
  min: 1,
  h: 0,
  kg: 1,
  N: 0,
  kPa: 1,
  '°C': 1,
  ratio: 2,
  layers: 0,
  strip: 0,
  rolls: 0,
  people: 0,
}
const spaced: Partial<Record<DecisionUnit, string>> = { deg: '°', '°C': ' °C', ratio: '' }

const estimateWord = 'about '

/** The display of an estimate: its figure with “about” before it, as speech and papers say it. */
export function asEstimate(display: string): string {
  return `${estimateWord}${display}`
}

/** The display of an estimate without that word; null where it is none. */
export function estimateIn(display: string): string | null {
  return display.startsWith(estimateWord) ? display.slice(estimateWord.length) : null
}

/**
 * A value as people read it, metric: "15 cm", "10 layers", "1 roll", "0.52".
 * @param value any decision value; lists are joined with commas
 */
export function formatValue(value: DecisionValue, unit: DecisionUnit | string | null): string {
  if (value === null) return 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string') return spokenValue(value)
  if (typeof value !== 'number') return `${value.map((one) => figure(one, unit)).join(', ')}${suffix(unit, 2)}`
  return figure(value, unit) + suffix(unit, value)
}

/**
 * The only other form of a decision: its display in the reader's units. Lengths turn to inches on request; everything else stays as it is.
 */
export function formatDecision(decision: Decision, units: DisplayUnits): string {
  return wordsInUnits(decision.display, units)
}

/** A length in the reader's units: "38.1 cm" or "15.0 in". */
export function formatLength(cm: number, units: DisplayUnits): string {
  return units === 'metric' ? formatValue(cm, 'cm') : formatInches(cm)
}

function formatInches(value: DecisionValue): string {
  if (typeof value === 'number') return `${cmToInches(value).toFixed(1)} in`
  if (!Array.isArray(value)) return formatValue(value, null)
  return `${value.map((one: number) => cmToInches(one).toFixed(1)).join(', ')} in`
}

function figure(value: number, unit: string | null): string {
  const decimals = decimalsByUnit[unit as DecisionUnit] ?? 2
  const rounded = roundTo(value, decimals)
  return unit === 'cm' && !Number.isInteger(rounded) ? rounded.toFixed(1) : String(rounded)
}

function suffix(unit: string | null, value: number): string {
  if (unit === null) return ''
  const known = spaced[unit as DecisionUnit]
  if (known !== undefined) return known
  if (unit === 'people') return value === 1 ? ' person' : ' people'
  if (value === 1 && (unit === 'rolls' || unit === 'layers')) return ` ${unit.slice(0, -1)}`
  return ` ${unit}`
}

function spokenValue(value: string): string {
  return value.replaceAll('-', ' ')
}
