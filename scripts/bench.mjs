// npm run bench [-- NAME…]: measures speed, of the code as it is built, and says whether each figure is within its limit. Never part of a timed test.
// With --smallest each part only shows that it starts and ends; its figures say nothing then.
import { runOnThrowaway } from './throwaway.mjs'

const names = process.argv.slice(2).filter((word) => word !== '--smallest')
if (names.length < process.argv.length - 2) process.env.WREN_BENCH = 'smallest'
await runOnThrowaway(['cli', 'standins', 'server', 'web', 'bench'], 'dist/bench/bench.js', names)
