// npm run check: types, lint, format, unused code, what the first screen weighs, which room imports which. Seconds, no database.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needNode, needPackages, PlainError } from './needs.mjs'

const root = fileURLToPath(new URL('..', import.meta.url))
const formatted = ['src', 'tests', 'scripts', 'vite.config.ts', 'oxlint.config.mjs']
const tools = {
  'types and lint': [
    'node_modules/oxlint/bin/oxlint',
    '--config',
    'oxlint.config.mjs',
    '--deny-warnings',
    '--report-unused-disable-directives',
  ],
  order: ['scripts/lint/text-order.mjs'],
  format: ['node_modules/oxfmt/bin/oxfmt', '--check', ...formatted],
  unused: ['node_modules/knip/bin/knip.js', '--no-progress', '--cache'],
  script: ['scripts/script-weight.mjs'],
  rooms: [
    'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
    'src',
    '--config',
    '.dependency-cruiser.mjs',
    '--cache',
    '--cache-strategy',
    'content',
  ],
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
  const waiting = Object.keys(tools)
  const work = async () => {
    for (let name = waiting.shift(); name; name = waiting.shift()) results.push(await run(name))
  }
  // Two at a time: most of them use one core. The slowest begins.
  await Promise.all([work(), work()])
  for (const { name, passed, output } of results) console.log(passed ? `ok   ${name}` : `FAIL ${name}\n${output}`)
  return results
}

if (process.argv[1] === join(root, 'scripts/check.mjs')) {
  needNode()
  try {
    await needPackages(console.log)
  } catch (error) {
    console.error(error instanceof PlainError ? error.message : error)
    process.exit(1)
  }
  const results = await runChecks()
  process.exit(results.every((one) => one.passed) ? 0 : 1)
}
