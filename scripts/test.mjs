// npm test: gets what is needed, then checks and every suite in two workers; ends with one count for all.
// npm test -- NAME…: suites, files, or `quick`; `--grep WORDS`: only tests whose name holds these words; `--long`: every case.
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { runQueue } from './test-queue.mjs'
import { readAsked, suites, wantsFile, wantsSuite } from './test-choice.mjs'
import { withThrowaway } from './throwaway.mjs'

const slowSuites = ['browser', 'scripts', 'bench']
const withDatabase = ['scripts', 'browser', 'server', 'bench']
/** What a suite runs of the built product. Browser, scripts and bench run all of it. */
const builtFor = { cli: ['cli'], standins: ['standins'], server: ['server'], browser: 'all', scripts: 'all', bench: 'all' }
const builtAll = ['cli', 'standins', 'server', 'web']

const asked = readAsked(process.argv.slice(2))
if (asked.problem) {
  console.error(asked.problem)
  process.exit(2)
}
const wanted = suites.filter((suite) => wantsSuite(asked, suite))
const built = builtAll.filter((room) => wanted.some((suite) => builtFor[suite] === 'all' || builtFor[suite]?.includes(room)))
const isDatabaseWanted = wanted.some((suite) => withDatabase.includes(suite))
const isBrowserWanted = wanted.some((suite) => suite === 'browser' || suite === 'bench')

const counts = await withThrowaway(
  built,
  async ({ root, database }) => {
    const { runChecks } = await import('./check.mjs')
    // Checks go on beside the tests: these wait for a browser much of the time.
    const checking = wantsSuite(asked, 'check') ? runChecks() : Promise.resolve([])
    const jobs = wanted.flatMap((suite) => filesOf(root, suite))
    if (isDatabaseWanted) {
      const { makeWorld } = await import('./test-world.mjs')
      await makeWorld(root, database.url, ['zesty_wren_1', 'zesty_wren_2'])
    }
    const environments = [1, 2].map((worker) => ({
      ...(asked.isLong ? { WREN_LONG: '1' } : {}),
      ...(asked.grep ? { WREN_GREP: asked.grep } : {}),
      ...(isDatabaseWanted
        ? { TEST_DATABASE_URL: database.url.replace(/zesty_wren$/, `zesty_wren_${worker}`), TEST_WORLD: 'zesty_wren' }
        : {}),
    }))
    const result = await runQueue(jobs, environments, console.log)
    const checks = await checking
    const held = checks.filter((one) => one.passed).length
    // Whoever reads only the end of a long run sees what failed in it.
    for (const failure of result.failures) console.log(`\n${failure}`)
    const slowest = [...result.took].sort((a, b) => b.ms - a.ms).slice(0, 8)
    if (slowest.length > 0) console.log(`\nSlowest: ${slowest.map((one) => `${one.file} ${(one.ms / 1000).toFixed(0)} s`).join(', ')}`)
    return { passed: held + result.passed, failed: checks.length - held + result.failed }
  },
  { isDatabaseWanted, isBrowserWanted },
)
const { passed, failed } = counts ?? { passed: 0, failed: 1 }
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 || passed === 0 ? 1 : 0)

/** The files of a suite that are wanted, in all its rooms, the largest first. */
function filesOf(root, suite) {
  const folder = join('tests', suite)
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .filter((file) => wantsFile(asked, suite, file))
    .sort((a, b) => statSync(join(root, b)).size - statSync(join(root, a)).size)
    .map((file) => ({ file, timeoutMs: slowSuites.includes(suite) ? 120_000 : 60_000 }))
}
