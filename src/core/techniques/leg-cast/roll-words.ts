import type { CastRoll } from './roll-zones'

/** Places of one limb by which the ways of its rolls are named, cm on their axis. */
export interface RollPlaces {
  readonly toeCm: number
  readonly instepCm: number
  readonly kneeCm: number
  /** Where the lower part ends, below the crease of the knee. */
  readonly bootTopCm: number
  /** Upper end of the cast: the same in a short one. */
  readonly topCm: number
}

/** So near to a landmark a place is called by it, cm. */
const nearCm = 2

/** A place on the limb as it is said: a landmark, or so far from one. */
function placeName(axis: 'foot' | 'leg', atCm: number, places: RollPlaces): string {
  const isAt = (cm: number): boolean => Math.abs(atCm - cm) <= nearCm
  if (axis === 'foot') {
    if (isAt(places.toeCm)) return 'toes'
    return isAt(places.instepCm) ? 'heel' : `${Math.round(atCm - places.toeCm)} cm behind the toes`
  }
  if (atCm <= nearCm) return 'heel'
  if (isAt(places.bootTopCm)) return 'below the knee'
  if (isAt(places.topCm)) return 'groin'
  if (isAt(places.kneeCm)) return 'knee'
  const fromKneeCm = Math.round(atCm - places.kneeCm)
  return fromKneeCm < 0 ? `${-fromKneeCm} cm below the knee` : `${fromKneeCm} cm above the knee`
}

/** Where a roll starts, turns and ends: "heel to knee, back to 12 cm below the knee"; empty where none is worked out yet. */
export function wayWords({ runs }: Pick<CastRoll, 'runs'>, places: RollPlaces): string {
  const long = runs.filter(({ fromCm, toCm }) => Math.abs(toCm - fromCm) > nearCm)
  const along = long.length > 0 ? long : runs.filter(({ turnsAt }) => turnsAt.length === 0)
  const [first] = along
  if (!first) return ''
  const ends: number[] = []
  for (const [index, { fromCm, toCm }] of along.entries()) {
    const before = along[index - 1]
    const goesOn = before && Math.sign(before.toCm - before.fromCm) === Math.sign(toCm - fromCm)
    if (goesOn) ends.pop()
    ends.push(toCm)
  }
  const name = (atCm: number): string => placeName(first.axis, atCm, places)
  const [start, turn] = [name(first.fromCm), name(ends[0] ?? first.toCm)]
  if (ends.length > 2) return `to and fro, ${start} to ${turn}, ending at ${name(ends.at(-1) ?? 0)}`
  return ends[1] === undefined ? `${start} to ${turn}` : `${start} to ${turn}, ${backWords(ends[0] ?? 0, ends[1], name(ends[1]))}`
}

/** The way back: to a landmark, or so far, for where a roll ends is seen when it does. */
function backWords(turnCm: number, endCm: number, name: string): string {
  return /\d/.test(name) ? `back ${Math.round(Math.abs(endCm - turnCm))} cm` : `back to ${name}`
}

/** Turns that a roll makes at a joint, in all. */
export function turnsOf({ runs }: Pick<CastRoll, 'runs'>): { readonly station: string; readonly turns: number } | null {
  const made = runs.flatMap(({ turnsAt }) => turnsAt)
  const [first] = made
  return first ? { station: first.station, turns: made.reduce((sum, { turns }) => sum + turns, 0) } : null
}

/** Left over at the end of a roll, cm. */
export function restOf({ runs }: Pick<CastRoll, 'runs'>): number {
  return runs.at(-1)?.restCm ?? 0
}

/** Whether a roll ends a zone with the pass that lies closer than half overlap. */
export function isCloser({ runs }: Pick<CastRoll, 'runs'>, usualLayers: number): boolean {
  return runs.some(({ layers }) => layers > usualLayers + 1e-9)
}
