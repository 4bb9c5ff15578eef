import type { Bench } from './bench'
import { heatBench } from './heat-bench'
import { rigBench } from './rig-bench'
import { swellingBench } from './swelling-bench'

/** Every bench there is, in the order in which lists show them. */
export const benches: readonly Bench[] = [heatBench, swellingBench, rigBench]

/** The bench with an id, or null. */
export function findBench(id: string): Bench | null {
  return benches.find((one) => one.id === id) ?? null
}
