import type { StockItem } from '../model/clinical-case'
import { toCm } from '../quantities/length'
import { parseReading } from '../quantities/parse-reading'
import type { DecisionUnit, DecisionValue } from '../model/decision'
import { describeRange, refuseValue, type DecisionDefinition } from '../model/decision-definition'

export type TypedValue =
  | { readonly ok: true; readonly value: NonNullable<DecisionValue> }
  | { readonly ok: false; readonly message: string }

/**
 * Reads what a clinician typed or chose in place of a computed value: a figure ("12", "12,5", "5 in" for a length), figures of a
 * list ("18, 30, 45" or "18; 30,5; 45"), a word or yes/no.
 * @param unit the unit in force
 * @param items sizes at hand
 * @returns the value, or a sentence that names the decision, the range and the remedy
 */
export function readTypedValue(
  text: string,
  definition: DecisionDefinition,
  unit: DecisionUnit | null,
  items: readonly StockItem[],
): TypedValue {
  if (text.trim() === '') return { ok: false, message: `${definition.label} is missing: ${wanted(definition, unit, items)}.` }
  const read = readByKind(text.trim(), definition, unit, items)
  if (!read.ok) return read
  const refusal = refuseValue(definition, read.value, items, unit)
  return refusal === null ? read : { ok: false, message: refusal }
}

function wanted(definition: DecisionDefinition, unit: DecisionUnit | null, items: readonly StockItem[]): string {
  if (definition.kind === 'choice') return `choose one of ${definition.choices(items).join(', ')}`
  if (definition.kind === 'yes-no') return 'choose yes or no'
  return definition.kind === 'text' ? 'write it in words' : `enter ${describeRange(definition, unit)}`
}

function readByKind(text: string, definition: DecisionDefinition, unit: DecisionUnit | null, items: readonly StockItem[]): TypedValue {
  switch (definition.kind) {
    case 'number':
    case 'whole':
      return readFigure(text, unit)
    case 'list': {
      const figures = splitFigures(text).map((figure) => readFigure(figure, unit))
      const wrong = figures.find((figure) => !figure.ok)
      return wrong ?? { ok: true, value: figures.flatMap((figure) => (figure.ok ? [figure.value as number] : [])) }
    }
    case 'choice':
      return { ok: true, value: definition.choices(items).find((choice) => String(choice) === text) ?? text }
    case 'text':
      return { ok: true, value: text }
    case 'yes-no':
      return { ok: true, value: text === 'yes' ? true : text === 'no' ? false : text }
  }
}

/** A comma between blanks parts figures; one inside a figure is its decimal comma, unless there are several of them. */
function splitFigures(text: string): readonly string[] {
  if (text === '') return []
  const parted = text.includes(';') ? text.split(';') : text.split(/,\s+|\s+(?=[\d+.−-])/)
  const parts = parted.length === 1 && (text.match(/,/g) ?? []).length > 1 ? text.split(',') : parted
  return parts.map((part) => part.trim()).filter((one) => one !== '')
}

function readFigure(text: string, unit: DecisionUnit | null): TypedValue {
  const parsed = parseReading(text)
  if (!parsed.ok) return parsed
  if (parsed.unit === null || (parsed.unit === 'deg' && unit === 'deg')) return { ok: true, value: parsed.value }
  if (unit !== 'cm' || parsed.unit === 'deg' || parsed.unit === 'fw')
    return {
      ok: false,
      message: `This figure is in ${unit === 'deg' ? 'degrees' : (unit ?? 'plain numbers')}, not in ${parsed.unit}: type it in that.`,
    }
  return { ok: true, value: toCm(parsed.value, parsed.unit) }
}
