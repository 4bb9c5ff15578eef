import type { StockItem } from '../../model/clinical-case'

/** A stretch of limb wound with rolls of one width, which must lie between the two limits. */
export interface WrapZone {
  readonly id: string
  readonly leastWidthCm: number
  readonly greatestWidthCm: number
  /** Length needed, cm, for a given roll width, cm. */
  readonly lengthFor: (widthCm: number) => number
}

export interface ZoneRolls {
  readonly zone: string
  readonly widthCm: number
  readonly rollLengthCm: number
  /** Length that this zone uses, cm. */
  readonly lengthCm: number
}

export interface RollChoice {
  readonly zones: readonly ZoneRolls[]
  /** Rolls to lay out by width; zones of one width share their rolls. */
  readonly rolls: readonly { readonly widthCm: number; readonly rollLengthCm: number; readonly count: number }[]
  readonly totalRolls: number
  /** Left over on opened rolls, cm². */
  readonly wasteCm2: number
}

interface Roll {
  readonly widthCm: number
  readonly rollLengthCm: number
}

/**
 * Chooses a roll width for each zone, exactly: fewest rolls, then least waste (COMPUTATION 3). A zone that
 * no stocked width suits takes the stocked width nearest to its limits, so one width can serve all.
 * @param items stocked rolls of one kind (width and length in cm); items without both are passed over
 * @returns null when there is no roll at all
 */
export function chooseRolls(zones: readonly WrapZone[], items: readonly StockItem[]): RollChoice | null {
  const stocked = items.flatMap((item): Roll[] =>
    item.widthCm !== undefined && item.lengthCm !== undefined && item.widthCm > 0 && item.lengthCm > 0
      ? [{ widthCm: item.widthCm, rollLengthCm: item.lengthCm }]
      : [],
  )
  if (stocked.length === 0 || zones.length === 0) return null
  let best: RollChoice | null = null
  for (const pick of combinations(zones.map((zone) => candidatesFor(zone, stocked)))) {
    const choice = countRolls(zones, pick)
    if (!best || isBetter(choice, best)) best = choice
  }
  return best
}

function candidatesFor(zone: WrapZone, stocked: readonly Roll[]): readonly Roll[] {
  const suiting = stocked.filter((roll) => outside(zone, roll) === 0)
  if (suiting.length > 0) return suiting
  const nearest = Math.min(...stocked.map((roll) => outside(zone, roll)))
  return stocked.filter((roll) => outside(zone, roll) === nearest)
}

function outside(zone: WrapZone, roll: Roll): number {
  return Math.max(0, zone.leastWidthCm - roll.widthCm, roll.widthCm - zone.greatestWidthCm)
}

function* combinations(lists: readonly (readonly Roll[])[]): Generator<readonly Roll[]> {
  const [first, ...rest] = lists
  if (!first) {
    yield []
    return
  }
  for (const roll of first) for (const tail of combinations(rest)) yield [roll, ...tail]
}

function countRolls(zones: readonly WrapZone[], pick: readonly Roll[]): RollChoice {
  const lengths = new Map<Roll, number>()
  const zoneRolls: ZoneRolls[] = []
  zones.forEach((zone, index) => {
    const roll = pick[index]
    if (!roll) return
    const lengthCm = zone.lengthFor(roll.widthCm)
    lengths.set(roll, (lengths.get(roll) ?? 0) + lengthCm)
    zoneRolls.push({ zone: zone.id, ...roll, lengthCm })
  })
  const rolls = [...lengths].map(([roll, lengthCm]) => ({
    ...roll,
    count: Math.ceil(lengthCm / roll.rollLengthCm - 1e-9),
    lengthCm,
  }))
  return {
    zones: zoneRolls,
    rolls: rolls.map(({ widthCm, rollLengthCm, count }) => ({ widthCm, rollLengthCm, count })),
    totalRolls: rolls.reduce((sum, roll) => sum + roll.count, 0),
    wasteCm2: rolls.reduce((sum, roll) => sum + (roll.count * roll.rollLengthCm - roll.lengthCm) * roll.widthCm, 0),
  }
}

function isBetter(a: RollChoice, b: RollChoice): boolean {
  if (a.totalRolls !== b.totalRolls) return a.totalRolls < b.totalRolls
  return a.wasteCm2 < b.wasteCm2 - 1e-6
}
