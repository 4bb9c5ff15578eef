import { legGirths } from '../body/measurements/leg'
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

const known: readonly string[] = [
  ...new Set([
    ...techniques.flatMap((technique) =>
      technique.measurements({ ...blankCase, technique: technique.id }, {}).map((one) => one.definition.id),
    ),
    ...legGirths.map((one) => one.id),
  ]),
]

/** Every measurement id that some technique or body model knows, each once. */
export function listMeasurementIds(): readonly string[] {
  return known
}
