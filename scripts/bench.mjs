// npm run bench: measures speed and says whether each figure is within its limit. Never part of a timed test.
import { runOnThrowaway } from './throwaway.mjs'

await runOnThrowaway(['cli', 'standins', 'server', 'web'], 'tests/bench/bench.ts')
