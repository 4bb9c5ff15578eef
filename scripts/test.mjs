// npm test: gets what is needed, then checks and every suite in two workers; ends with one count for all.
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { runQueue } from './test-queue.mjs'
import { withThrowaway } from './throwaway.mjs'

/** Suites in the order in which the first worker takes them; the second takes them from the end. */
const suites = ['browser', 'scripts', 'server', 'cli', 'docs', 'web', 'standins', 'contract', 'core']
const slowSuites = ['browser', 'scripts']
const withDatabase = ['scripts', 'browser', 'server']

const asked = process.argv.slice(2)
const isLong = asked.includes('--long')
const only = asked.filter((one) => !one.startsWith('--'))
const wants = (suite) => only.length === 0 || only.some((one) => one === suite || one.startsWith(`tests/${suite}/`))

const counts = await withThrowaway(['cli', 'standins', 'server', 'web'], async ({ root, database }) => {
  const { runChecks } = await import('./check.mjs')
  const { makeWorld } = await import('./test-world.mjs')
  // Checks go on beside the tests: these wait for a browser much of the time.
  const checking = wants('check') ? runChecks() : Promise.resolve([])
  const jobs = suites.filter(wants).flatMap((suite) => filesOf(root, suite))
  const isWorldWanted = suites.some((suite) => withDatabase.includes(suite) && wants(suite))
  if (isWorldWanted) await makeWorld(root, database.url, ['zesty_wren_1', 'zesty_wren_2'])
  const environments = [1, 2].map((worker) => ({
    ...(isLong ? { WREN_LONG: '1' } : {}),
    ...(isWorldWanted ? { TEST_DATABASE_URL: database.url.replace(/zesty_wren$/, `zesty_wren_${worker}`), TEST_WORLD: 'zesty_wren' } : {}),
  }))
  const result = await runQueue(jobs, environments, console.log)
  const checks = await checking
  const held = checks.filter((one) => one.passed).length
  const slowest = [...result.took].sort((a, b) => b.ms - a.ms).slice(0, 8)
  if (slowest.length > 0) console.log(`\nSlowest: ${slowest.map((one) => `${one.file} ${(one.ms / 1000).toFixed(0)} s`).join(', ')}`)
  return { passed: held + result.passed, failed: checks.length - held + result.failed }
})
const { passed, failed } = counts ?? { passed: 0, failed: 1 }
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 || passed === 0 ? 1 : 0)

/** The files of a suite, in all its rooms, the largest first; where files are asked for by name, those. */
function filesOf(root, suite) {
  const folder = join('tests', suite)
  const named = only.filter((one) => one.startsWith(`${folder}/`))
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .filter((file) => named.length === 0 || only.includes(suite) || named.includes(file))
    .sort((a, b) => statSync(join(root, b)).size - statSync(join(root, a)).size)
    .map((file) => ({ file, timeoutMs: slowSuites.includes(suite) ? 120_000 : 60_000 }))
}
