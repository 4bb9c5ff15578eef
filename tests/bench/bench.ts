import { fileURLToPath } from 'node:url'
import { benchBoard } from './board-bench'
import { benchBrowser } from './browser-bench'
import { report, type Figure } from './figure'
import { benchCapacity } from './capacity-bench'
import { benchHeat } from './heat-bench'
import { benchHistory } from './history-bench'
import { benchLoad } from './load-bench'
import { benchPeople } from './people-bench'
import { benchPlans } from './plan-bench'
import { benchPractice } from './practice-bench'
import { benchRuns } from './run-bench'
import { benchShift } from './shift-bench'
import { benchStanding } from './standing-bench'
import { benchStart } from './start-bench'
import { benchWays } from './ways-bench'
import { benchWriters } from './writers-bench'
import { closeShared } from '../harness/shared'
import { isSmallest } from './size'

const root = fileURLToPath(new URL('../..', import.meta.url))
const parts: Readonly<Record<string, () => readonly Figure[] | Promise<readonly Figure[]>>> = {
  plans: benchPlans,
  heat: () => benchHeat(root),
  people: benchPeople,
  standing: benchStanding,
  board: benchBoard,
  history: benchHistory,
  ways: benchWays,
  writers: benchWriters,
  capacity: benchCapacity,
  load: benchLoad,
  shift: benchShift,
  browser: () => benchBrowser(root),
  practice: benchPractice,
  runs: benchRuns,
  start: () => benchStart(root),
}
const wanted = process.argv.slice(2)
const unknown = wanted.filter((one) => !Object.hasOwn(parts, one))
if (unknown.length > 0) {
  console.error(`There is no bench ${unknown.join(', ')}: choose of ${Object.keys(parts).join(', ')}.`)
  process.exit(2)
}
let isWithin = true
let hasBroken = false
for (const [name, bench] of Object.entries(parts)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue
  try {
    const isHeld = report(await bench())
    isWithin = (isHeld || isSmallest) && isWithin
    if (isSmallest) console.log(`${name} ran through`)
  } catch (error) {
    // One part that breaks never stops the others.
    hasBroken = true
    console.error(`BROKE ${name}:`, error)
  } finally {
    // Browser and server of a part end with it, also where it broke.
    await closeShared()
  }
}
process.exit(isWithin && !hasBroken ? 0 : 1)
