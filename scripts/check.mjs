// npm run check: types, lint, format, unused code, which room imports which. Seconds, no database.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needNode, needPackages, PlainError } from './needs.mjs'

const root = fileURLToPath(new URL('..', import.meta.url))
const tools = {
  // The linter still speaks to TypeScript 6; the types themselves are checked by 7, in a sixth of the time.
  types: ['node_modules/typescript-7/bin/tsc', '--noEmit'],
  lint: ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings=0', '--cache', '--cache-location', 'node_modules/.cache/eslint/'],
  format: [
    'node_modules/prettier/bin/prettier.cjs',
    '--check',
    '--log-level=warn',
    'src',
    'tests',
    'scripts',
    'eslint.config.js',
    'vite.config.ts',
  ],
  unused: ['node_modules/knip/bin/knip.js', '--no-progress'],
  rooms: ['node_modules/dependency-cruiser/bin/dependency-cruise.mjs', 'src', '--config', '.dependency-cruiser.mjs'],
}

/** Runs one tool; its output is shown only when it fails. */
function run(name) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, tools[name], { cwd: root })
    let output = ''
    child.stdout.on('data', (chunk) => {
      output += chunk
    })
    child.stderr.on('data', (chunk) => {
      output += chunk
    })
    child.on('exit', (code) => resolve({ name, passed: code === 0, output }))
  })
}

/** Runs every check; returns one result each. */
export async function runChecks() {
  const results = []
  for (const pair of [['types', 'format'], ['lint', 'unused'], ['rooms']]) results.push(...(await Promise.all(pair.map(run))))
  for (const { name, passed, output } of results) console.log(passed ? `ok   ${name}` : `FAIL ${name}\n${output}`)
  return results
}

if (process.argv[1] === join(root, 'scripts/check.mjs')) {
  needNode()
  try {
    needPackages(console.log)
  } catch (error) {
    console.error(error instanceof PlainError ? error.message : error)
    process.exit(1)
  }
  const results = await runChecks()
  process.exit(results.every((one) => one.passed) ? 0 : 1)
}
