// npm run screenshots: one current picture of each main view, from a fresh demo world.
import { runOnThrowaway } from './throwaway.mjs'

await runOnThrowaway(['standins', 'server', 'web'], 'tests/harness/browser/take-screenshots.ts')
