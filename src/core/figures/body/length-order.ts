import type { Measurement } from '../../model/clinical-case'
import { toCm } from '../../quantities/length'

/** Lengths of a leg from the shorter to the longer: each is part of the next (STANDING, Readings in time). */
const legOrder: readonly { readonly id: string; readonly label: string }[] = [
  { id: 'lower-leg-length', label: 'lower leg' },
  { id: 'inside-leg', label: 'inside leg' },
  { id: 'outer-leg', label: 'outer leg' },
]

/**
 * Why a length cannot be what it says beside the other lengths and the stature; null where nothing speaks against it.
 * @param reading as entered
 * @param all every reading of the case: the last of each other length is compared with
 * @param statureCm null while it is not known
 */
export function lengthDoubt(reading: Measurement, all: readonly Measurement[], statureCm: number | null): string | null {
  const place = legOrder.findIndex((one) => one.id === reading.id)
  const valueCm = lengthOf(reading)
  if (place < 0 || valueCm === null) return null
  for (const [index, other] of legOrder.entries()) {
    const last = all.findLast(
      (one) => one.id === other.id && (one.side === undefined || reading.side === undefined || one.side === reading.side),
    )
    const otherCm = last && index !== place ? lengthOf(last) : null
    if (otherCm === null) continue
    const words = `${otherCm.toFixed(1)} cm were read for the ${other.label}`
    if (index < place && valueCm <= otherCm) return `${words}, which is only part of it: measure both again.`
    if (index > place && valueCm >= otherCm) return `${words}, of which this is only a part: measure both again.`
  }
  const isInside = legOrder[place]?.id !== 'outer-leg'
  if (statureCm !== null && isInside && valueCm >= statureCm / 2)
    return `Half of ${statureCm.toFixed(0)} cm of height is ${(statureCm / 2).toFixed(0)} cm, and this is less than that: measure again.`
  return null
}

/** Of several readings of one place the one that lies farthest from the middle of all, the newest of those that lie alike. */
export function disagreeing(readings: readonly Measurement[]): Measurement | null {
  const figures = readings.map((one) => (typeof one.value === 'number' ? one.value : NaN))
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
