// npm run bench [-- NAME…]: measures speed, of the code as it is built, and says whether each figure is within its limit. Never part of a timed test.
import { runOnThrowaway } from './throwaway.mjs'

await runOnThrowaway(['cli', 'standins', 'server', 'web', 'bench'], 'dist/bench/bench.js', process.argv.slice(2))
