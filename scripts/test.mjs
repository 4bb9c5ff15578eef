// npm test: gets what is needed, then checks, unit, server and browser suites; ends with one count for all.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const say = (line) => console.log(line)
let passed = 0
let failed = 0
let database = null
const scratch = mkdtempSync(join(tmpdir(), 'wren-test-'))

try {
  needPackages(say)
  needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], say, '')
  needDebian('chromium', ['chromium', 'chromium-driver'], say, '')
  needDebian('chromedriver', ['chromium-driver'], say, '')
  const { build, root } = await import('./build.mjs')
  const { startDatabase } = await import('./database.mjs')
  const { runChecks } = await import('./check.mjs')

  const only = process.argv.slice(2)
  const wants = (suite) => only.length === 0 || only.includes(suite)
  if (wants('check')) {
    for (const one of await runChecks()) one.passed ? passed++ : failed++
  }
  for (const room of ['cli', 'standins', 'server', 'web']) build(room, say)
  if (wants('server') || wants('browser')) database = await startDatabase(join(scratch, 'data'), say)

  const suites = {
    core: 'tests/core/**/*.test.ts',
    cli: 'tests/cli/**/*.test.ts',
    contract: 'tests/contract/**/*.test.ts',
    web: 'tests/web/**/*.test.ts',
    docs: 'tests/docs/**/*.test.ts',
    standins: 'tests/standins/**/*.test.ts',
    scripts: 'tests/scripts/**/*.test.ts',
    server: 'tests/server/**/*.test.ts',
    browser: process.env.WREN_BROWSER_TESTS ?? 'tests/browser/**/*.test.ts',
  }
  for (const [suite, pattern] of Object.entries(suites)) {
    if (!wants(suite)) continue
    say(`\n== ${suite}`)
    const report = join(scratch, `${suite}.json`)
    const timeout = suite === 'browser' || suite === 'scripts' ? 120_000 : 20_000
    spawnSync(
      process.execPath,
      [
        join(root, 'node_modules/mocha/bin/mocha.js'),
        pattern,
        '--timeout',
        String(timeout),
        '--reporter',
        join(root, 'tests/count-reporter.cjs'),
        '--reporter-option',
        `output=${report}`,
        '--exit',
      ],
      { cwd: root, stdio: 'inherit', env: { ...process.env, ...(database ? { TEST_DATABASE_URL: database.url } : {}), NODE_ENV: 'test' } },
    )
    try {
      const counts = JSON.parse(readFileSync(report, 'utf8'))
      passed += counts.passes
      failed += counts.failures
    } catch {
      say(`The ${suite} suite did not report: it broke before its first test.`)
      failed++
    }
  }
} catch (error) {
  console.error(error instanceof PlainError ? error.message : error)
  failed++
} finally {
  await database?.stop()
  rmSync(scratch, { recursive: true, force: true })
}
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 || passed === 0 ? 1 : 0)
