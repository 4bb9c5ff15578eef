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
 * Chooses a roll width for each zone, exactly: fewest rolls, then least waste. A zone that
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
  const lists = zones.map((zone) => candidatesFor(zone, stocked).map((roll) => ({ roll, lengthCm: zone.lengthFor(roll.widthCm) })))
  let best: Count | null = null
  for (const pick of combinations(lists)) {
    const count = countRolls(pick)
    if (!best || isBetter(count, best)) best = count
  }
  return best && describe(zones, best)
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

/** A roll for one zone, and the length of it that the zone takes, cm. */
interface ZonePick {
  readonly roll: Roll
  readonly lengthCm: number
}

interface Count {
  readonly pick: readonly ZonePick[]
  /** Length of each roll that its zones take together, cm. */
  readonly lengthsCm: ReadonlyMap<Roll, number>
  readonly totalRolls: number
  readonly wasteCm2: number
}

function* combinations(lists: readonly (readonly ZonePick[])[]): Generator<readonly ZonePick[]> {
  const [first, ...rest] = lists
  if (!first) {
    yield []
    return
  }
  for (const one of first) for (const tail of combinations(rest)) yield [one, ...tail]
}

function countRolls(pick: readonly ZonePick[]): Count {
  const lengthsCm = new Map<Roll, number>()
  for (const { roll, lengthCm } of pick) lengthsCm.set(roll, (lengthsCm.get(roll) ?? 0) + lengthCm)
  let totalRolls = 0
  let wasteCm2 = 0
  for (const [roll, lengthCm] of lengthsCm) {
    const count = rollsFor(roll, lengthCm)
    totalRolls += count
    wasteCm2 += (count * roll.rollLengthCm - lengthCm) * roll.widthCm
  }
  return { pick, lengthsCm, totalRolls, wasteCm2 }
}

function rollsFor(roll: Roll, lengthCm: number): number {
  return Math.ceil(lengthCm / roll.rollLengthCm - 1e-9)
}

function isBetter(a: Count, b: Count): boolean {
  if (a.totalRolls !== b.totalRolls) return a.totalRolls < b.totalRolls
  return a.wasteCm2 < b.wasteCm2 - 1e-6
}

function describe(zones: readonly WrapZone[], { pick, lengthsCm, totalRolls, wasteCm2 }: Count): RollChoice {
  return {
    zones: pick.map(({ roll, lengthCm }, index) => ({ zone: zones[index]!.id, ...roll, lengthCm })),
    rolls: [...lengthsCm].map(([roll, lengthCm]) => ({ ...roll, count: rollsFor(roll, lengthCm) })),
    totalRolls,
    wasteCm2,
  }
}
