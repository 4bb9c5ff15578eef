import type { Bench } from './bench'
import { braceBench } from './brace-bench'
import { collarBench } from './collar-bench'
import { crewBench } from './crew-bench'
import { findingsBench } from './findings-bench'
import { heatBench } from './heat-bench'
import { rigBench } from './rig-bench'
import { shellBench } from './shell-bench'
import { sizeBench } from './size-bench'
import { stiffnessBench } from './stiffness-bench'
import { swellingBench } from './swelling-bench'
import { wrapsBench } from './wraps-bench'

/** Every bench there is, in the order in which lists show them. */
export const benches: readonly Bench[] = [
  heatBench,
  swellingBench,
  rigBench,
  wrapsBench,
  stiffnessBench,
  collarBench,
  shellBench,
  braceBench,
  sizeBench,
  crewBench,
  findingsBench,
]

/** The bench with an id, or null. */
export function findBench(id: string): Bench | null {
  return benches.find((bench) => bench.id === id) ?? null
}
