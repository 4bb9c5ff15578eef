import type { Measurement } from '../../model/clinical-case'
import type { Side } from '../../model/vocabulary'
import { toCm } from '../../quantities/length'

// A girth is doubted by the girths beside it, at every stature: never refused, for somebody may be built like that.

/** A girth is at most so many times its neighbour, and so much more. */
interface Limit {
  readonly id: string
  readonly beside: string
  readonly times: number
  readonly moreCm: number
  /** More than that where it swells, cm. */
  readonly swollenCm: number
}

const limits: readonly Limit[] = [
  { id: 'calf-girth', beside: 'below-knee-girth', times: 1.3, moreCm: 0, swollenCm: 5 },
  { id: 'calf-girth', beside: 'ankle-girth', times: 2.2, moreCm: 0, swollenCm: 5 },
  { id: 'mid-thigh-girth', beside: 'calf-girth', times: 2, moreCm: 0, swollenCm: 8 },
  { id: 'below-knee-girth', beside: 'calf-girth', times: 1, moreCm: 1, swollenCm: 5 },
  { id: 'above-knee-girth', beside: 'knee-girth', times: 1.3, moreCm: 0, swollenCm: 8 },
]
const names: Readonly<Record<string, string>> = {
  'calf-girth': 'calf',
  'below-knee-girth': 'leg below the knee',
  'ankle-girth': 'ankle',
  'mid-thigh-girth': 'mid-thigh',
  'knee-girth': 'knee',
  'above-knee-girth': 'thigh above the knee',
}

/** A girth as it counts: its figure, and whether that side swells. */
export interface KnownGirth {
  readonly cm: number
  readonly isSwollen: boolean
}

/** Two girths that hardly belong to one leg, in words that name both. */
export interface GirthFault {
  readonly ids: readonly [string, string]
  readonly text: string
}

/** Girths that hardly stand beside each other. @param girths by measurement id */
export function girthFaults(girths: Readonly<Record<string, KnownGirth>>): readonly GirthFault[] {
  return limits.flatMap(({ id, beside, times, moreCm, swollenCm }): GirthFault[] => {
    const [own, other] = [girths[id], girths[beside]]
    if (!own || !other) return []
    const swollen = own.isSwollen || other.isSwollen ? swollenCm : 0
    if (own.cm <= times * other.cm + moreCm + swollen + 1e-9) return []
    const text = `The ${names[id]} (${own.cm.toFixed(1)} cm) is too full beside the ${names[beside]} (${other.cm.toFixed(1)} cm).`
    return [{ ids: [id, beside], text }]
  })
}

/**
 * Why a girth is doubted beside the others; null where nothing speaks against it, and once its place was read twice alike.
 * @param reading as entered
 * @param all every reading of the case: the last of each other girth of a side is compared with
 * @param swollenSide the side that swells; null for none
 */
export function girthDoubt(reading: Measurement, all: readonly Measurement[], swollenSide: Side | null): string | null {
  const known = (one: Measurement): KnownGirth | null =>
    typeof one.value === 'number'
      ? { cm: toCm(one.value, one.unit ?? 'cm', one.breadthCm), isSwollen: swollenSide !== null && one.side === swollenSide }
      : null
  const own = known(reading)
  if (!own || names[reading.id] === undefined) return null
  const ofSide = all.filter((one) => one.side === undefined || reading.side === undefined || one.side === reading.side)
  const isAlike = (one: Measurement): boolean => one !== reading && one.id === reading.id && Math.abs((known(one)?.cm ?? 0) - own.cm) <= 1
  if (ofSide.some(isAlike)) return null
  const girths: Record<string, KnownGirth> = {}
  for (const one of ofSide) {
    const girth = known(one)
    if (girth) girths[one.id] = girth
  }
  const fault = girthFaults({ ...girths, [reading.id]: own }).find(({ ids }) => ids.includes(reading.id))
  return fault ? `${fault.text} Measure both again.` : null
}
