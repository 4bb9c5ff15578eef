import type { BenchFigure } from '#core/practice/bench'

/** A figure with its unit, or the words that stand for it. */
export function formatFigure({ value, unit, digits, words }: BenchFigure): string {
  if (value === null) return words ?? 'none'
  return `${value.toFixed(digits)}${withUnit(unit)}`
}

/** What B has more or less than A; empty where one of them has no figure. */
export function differenceOf(a: BenchFigure, b: BenchFigure): string {
  if (a.value === null || b.value === null) return ''
  const difference = b.value - a.value
  const shown = Math.abs(difference).toFixed(b.digits)
  if (Number(shown) === 0) return 'same'
  return `${difference > 0 ? '+' : '−'}${shown}${withUnit(b.unit)}`
}

/** A unit as it follows its figure: degrees close up, others after a space. */
export function withUnit(unit: string): string {
  return unit === '' ? '' : unit === '°' ? unit : ` ${unit}`
}
