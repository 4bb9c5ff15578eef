import type { Measurement } from '../../model/clinical-case'
import { toCm } from '../../quantities/length'

/** A length that is part of another one, or of the stature as a share of it. */
const partOf: readonly { readonly id: string; readonly whole: string | number }[] = [
  { id: 'lower-leg-length', whole: 'inside-leg' },
  { id: 'foot-length', whole: 'lower-leg-length' },
  { id: 'inside-leg', whole: 0.6 },
  { id: 'notch-pubis', whole: 0.45 },
]
const names: Readonly<Record<string, string>> = {
  'lower-leg-length': 'lower leg',
  'inside-leg': 'inside leg',
  'foot-length': 'foot',
  'notch-pubis': 'length from notch to pubis',
  'volar-path-index': 'palm path of the index finger',
  'volar-path-little': 'palm path of the little finger',
}
/** Two paths beside each other that differ by no more than this on any hand, cm. */
const besides = [{ ids: ['volar-path-index', 'volar-path-little'], mostCm: 4 }] as const

/** A pair of lengths of which one cannot be: what was read, in words that name both. */
export interface LengthFault {
  readonly ids: readonly string[]
  readonly text: string
}

/**
 * Lengths that cannot stand beside each other or beside the stature, at every age.
 * @param lengthsCm by measurement id, cm
 * @param statureCm null while it is not known
 */
export function lengthFaults(lengthsCm: Readonly<Record<string, number>>, statureCm: number | null): readonly LengthFault[] {
  return partOf.flatMap(({ id, whole }): LengthFault[] => {
    const partCm = lengthsCm[id]
    const wholeCm = typeof whole === 'string' ? lengthsCm[whole] : statureCm === null ? undefined : whole * statureCm
    if (partCm === undefined || wholeCm === undefined || partCm < wholeCm) return []
    const part = `The ${names[id]} (${partCm.toFixed(1)} cm)`
    if (typeof whole === 'string')
      return [
        { ids: [id, whole], text: `${part} is as long as the ${names[whole]} (${wholeCm.toFixed(1)} cm), of which it is only a part.` },
      ]
    return [{ ids: [id, 'heightCm'], text: `${part} is more than ${100 * whole} % of the height (${statureCm?.toFixed(0)} cm).` }]
  })
}

/**
 * Why a length cannot be what it says beside the other lengths and the stature; null where nothing speaks against it.
 * @param reading as entered
 * @param all every reading of the case: the last of each other length is compared with
 * @param statureCm null while it is not known
 */
export function lengthDoubt(reading: Measurement, all: readonly Measurement[], statureCm: number | null): string | null {
  const valueCm = lengthOf(reading)
  if (valueCm === null) return null
  const lengthsCm: Record<string, number> = {}
  for (const other of all) {
    const otherCm = lengthOf(other)
    const isSameSide = other.side === undefined || reading.side === undefined || other.side === reading.side
    if (otherCm !== null && isSameSide) lengthsCm[other.id] = otherCm
  }
  lengthsCm[reading.id] = valueCm
  const fault = lengthFaults(lengthsCm, statureCm).find((lengthFault) => lengthFault.ids.includes(reading.id))
  if (fault) return `${fault.text} Measure ${fault.ids.includes('heightCm') ? 'again' : 'both again'}.`
  const beside = besides.find((one) => (one.ids as readonly string[]).includes(reading.id))
  const [otherId] = beside?.ids.filter((id) => id !== reading.id) ?? []
  const otherCm = otherId === undefined ? undefined : lengthsCm[otherId]
  if (!beside || !otherId || otherCm === undefined || Math.abs(valueCm - otherCm) <= beside.mostCm) return null
  return `The ${names[otherId]} was read as ${otherCm.toFixed(1)} cm, and they differ by more than ${beside.mostCm} cm: measure both again.`
}

/** Of several readings of one place the one that lies farthest from the middle of all, the newest of those that lie alike. */
export function disagreeing(readings: readonly Measurement[]): Measurement | null {
  const figures = readings.map((reading) => (typeof reading.value === 'number' ? reading.value : NaN))
  const known = figures.filter(Number.isFinite).sort((a, b) => a - b)
  const middle = known[Math.floor(known.length / 2)]
  if (known.length < 3 || middle === undefined) return readings.at(-1) ?? null
  const distance = (index: number): number => Math.abs((figures[index] ?? middle) - middle)
  return readings.reduce<{ at: number; reading: Measurement } | null>(
    (farthest, reading, index) => (farthest === null || distance(index) >= distance(farthest.at) ? { at: index, reading } : farthest),
    null,
  )!.reading
}

function lengthOf({ value, unit, breadthCm }: Measurement): number | null {
  return typeof value === 'number' ? toCm(value, unit ?? 'cm', breadthCm) : null
}
