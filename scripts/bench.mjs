// npm run bench [-- NAME…]: measures speed, of the code as it is built, and says whether each figure is within its limit. Never part of a timed test.
// With --long over the past of a large hospital, which takes a quarter of an hour more. With --smallest each part only shows that it starts and ends; its figures say nothing then.
import { runOnThrowaway } from './throwaway.mjs'

const sizes = ['--smallest', '--long']
const names = process.argv.slice(2).filter((word) => !sizes.includes(word))
for (const size of sizes) if (process.argv.includes(size)) process.env.WREN_BENCH = size.slice(2)
await runOnThrowaway(['cli', 'standins', 'server', 'web', 'bench'], 'dist/bench/bench.js', names)
