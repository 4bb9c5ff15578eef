import type { MeasurementDefinition } from '../model/measurement-definition'
import { armGirths } from '../figures/body/measurements/arm'
import { legGirths } from '../figures/body/measurements/leg'
import { techniques } from './registry'

const blankCase = {
  patient: { flags: [] },
  injury: { pattern: 'other', flags: [], swelling: 'none', levelCm: null },
  options: {},
  measurements: [],
  crew: { people: null },
  environment: { waterC: 22, roomC: 21, backing: 'air', stretcherCm: 200 },
  stock: 'catalogue',
  orders: {},
  overrules: [],
} as const

const definitions: readonly MeasurementDefinition[] = [
  ...techniques.flatMap((technique) =>
    technique.measurements({ ...blankCase, technique: technique.id }, {}).map((measurement) => measurement.definition),
  ),
  ...legGirths,
  ...armGirths,
]
const known: readonly string[] = [...new Set(definitions.map((definition) => definition.id))]
const worded = new Map(definitions.flatMap((definition) => (definition.words ? [[definition.id, definition.words] as const] : [])))

/** Every measurement id that some technique or body model knows, each once. */
export function listMeasurementIds(): readonly string[] {
  return known
}

/** The words that a reading judged in words may have; null for figures. */
export function measurementWords(id: string): readonly string[] | null {
  return worded.get(id) ?? null
}

/** What a measurement is called; its id where nobody knows it. */
export function measurementLabel(id: string): string {
  return definitions.find((definition) => definition.id === id)?.label ?? id
}
