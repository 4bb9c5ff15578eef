import { fileURLToPath } from 'node:url'
import { benchBoard } from './board-bench'
import { benchBrowser } from './browser-bench'
import { report } from './figure'
import { benchHeat } from './heat-bench'
import { benchHistory } from './history-bench'
import { benchLoad } from './load-bench'
import { benchPeople } from './people-bench'
import { benchPlans } from './plan-bench'
import { benchRuns } from './run-bench'
import { benchStanding } from './standing-bench'
import { benchStart } from './start-bench'
import { benchWriters } from './writers-bench'

const root = fileURLToPath(new URL('../..', import.meta.url))
const figures = [
  ...benchPlans(),
  ...benchHeat(root),
  ...benchPeople(),
  ...benchStanding(),
  ...(await benchBoard()),
  ...(await benchHistory()),
  ...(await benchWriters()),
  ...(await benchLoad()),
  ...(await benchBrowser(root)),
  ...(await benchRuns()),
  ...(await benchStart(root)),
]
process.exit(report(figures) ? 0 : 1)
