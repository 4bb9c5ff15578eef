import { fileURLToPath } from 'node:url'
import { benchBoard } from './board-bench'
import { benchBrowser } from './browser-bench'
import { report } from './figure'
import { benchPlans } from './plan-bench'
import { benchStart } from './start-bench'

const root = fileURLToPath(new URL('../..', import.meta.url))
const figures = [...benchPlans(), ...(await benchBoard()), ...(await benchBrowser(root)), ...(await benchStart(root))]
process.exit(report(figures) ? 0 : 1)
