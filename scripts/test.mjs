// npm test: gets what is needed, then checks and every suite in three workers; ends with one count for all.
// npm test -- NAME…: suites, files, `quick`, or `rest`, which is what only the long run has; `--grep WORDS`: only tests whose name holds these words; `--long`: the whole and the rest.
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { runQueue } from './test-queue.mjs'
import { readAsked, suites, wantsFile, wantsSuite } from './test-choice.mjs'
import { withThrowaway } from './throwaway.mjs'

/** One more than the cores of the machine that this is measured on: a browser waits for a server, and a server for its database. */
const workers = [1, 2, 3]
const slowSuites = ['browser', 'scripts']
const withDatabase = ['scripts', 'browser', 'server']
/** What a suite runs of the built product. Browser and scripts run all of it. */
const builtFor = { cli: ['cli'], standins: ['standins'], server: ['server'], browser: 'all', scripts: 'all' }
const builtAll = ['cli', 'standins', 'server', 'web']

const asked = readAsked(process.argv.slice(2))
if (asked.problem) {
  console.error(asked.problem)
  process.exit(2)
}
const wanted = suites.filter((suite) => wantsSuite(asked, suite))
const built = builtAll.filter((room) => wanted.some((suite) => builtFor[suite] === 'all' || builtFor[suite]?.includes(room)))
const isDatabaseWanted = wanted.some((suite) => withDatabase.includes(suite))
const isBrowserWanted = wanted.some((suite) => suite === 'browser' || suite === 'scripts')

/** What the long run draws by: the same each time, so that a landing is not red by chance; WREN_SEED=N draws others. */
const seed = process.env.WREN_SEED ?? '815608'
if (asked.isLong) console.log(`Drawn by WREN_SEED=${seed}`)

const counts = await withThrowaway(
  built,
  async ({ root, database }) => {
    const { runChecks } = await import('./check.mjs')
    // Checks go on beside the tests: these wait for a browser much of the time.
    const checking = wantsSuite(asked, 'check') ? runChecks() : Promise.resolve([])
    const jobs = wanted.flatMap((suite) => filesOf(root, suite)).sort((a, b) => b.weight - a.weight)
    if (isDatabaseWanted) {
      const { makeWorld } = await import('./test-world.mjs')
      await makeWorld(
        root,
        database.url,
        workers.map((worker) => `zesty_wren_${worker}`),
      )
    }
    const environments = workers.map((worker) => ({
      ...(asked.isLong ? { WREN_LONG: '1', WREN_SEED: seed } : {}),
      ...(asked.grep ? { WREN_GREP: asked.grep } : {}),
      ...(isDatabaseWanted
        ? { TEST_DATABASE_URL: database.url.replace(/zesty_wren$/, `zesty_wren_${worker}`), TEST_WORLD: 'zesty_wren' }
        : {}),
    }))
    const result = await runQueue(jobs, environments, console.log)
    keepDurations(root, result.took)
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

/** The files of a suite that are wanted, in all its rooms, each with how long it took last time; where nobody knows, what its size lets expect. */
function filesOf(root, suite) {
  const folder = join('tests', suite)
  const took = durations(root)
  // Of a kind that starts programs a file of so many bytes takes longer.
  const weight = (file) => took[file] ?? statSync(join(root, file)).size * (slowSuites.includes(suite) ? 4 : 1)
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .filter((file) => wantsFile(asked, suite, file, readFileSync(join(root, file), 'utf8').includes("harness/long'")))
    .map((file) => ({
      file,
      weight: weight(file),
      isInBrowser: suite === 'browser',
      // The long run draws more of the same test.
      timeoutMs: (slowSuites.includes(suite) ? 120_000 : 60_000) * (asked.isLong ? 3 : 1),
    }))
}

/** How long each file took when it ran last, ms. */
function durations(root) {
  const file = join(root, 'dist/test-durations.json')
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {}
}

function keepDurations(root, took) {
  const ran = Object.fromEntries(took.map(({ file, ms }) => [file, ms]))
  writeFileSync(join(root, 'dist/test-durations.json'), JSON.stringify({ ...durations(root), ...ran }))
}
