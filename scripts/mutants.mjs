// npm run mutants: changes a rule, sees whether a test notices, puts it back; sixty times by a seed. What nobody noticed is listed.
//   -- --count 60 --seed 1 --rooms rules,standing,runs,rounds
import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { parseArgs } from 'node:util'
import { root } from './build.mjs'
import { mutationsOf } from './mutations.mjs'

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '60' },
    seed: { type: 'string', default: '1' },
    rooms: { type: 'string', default: 'core/rules,core/standing,core/runs,core/rounds,ward/body' },
  },
})
/** What may stay unnoticed: a change that changes nothing anybody could see. */
const mostAlive = 2
const longestMs = 180_000
/** The narrow tests, asked first: those of the rules themselves, and of what events make of them. */
const narrow = [
  'tests/core/rules',
  'tests/core/runs',
  'tests/core/rounds',
  'tests/core/standing',
  'tests/ward',
  'tests/core/techniques/step-roles.test.ts',
  'tests/core/techniques/musts.test.ts',
]
/** Everything without a database or a browser: asked where the narrow ones notice nothing. */
const wide = [
  'tests/core',
  'tests/ward',
  'tests/contract',
  'tests/docs/approved-plans.test.ts',
  'tests/docs/decision-page.test.ts',
  'tests/docs/hazards.test.ts',
]

/** Whole numbers below `most` by a seed, the same each time. */
function drawFrom(seed) {
  let state = seed >>> 0
  return (most) => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) % most
  }
}

function filesBelow(folder) {
  return readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const path = join(folder, name)
      return statSync(path).isDirectory() ? filesBelow(path) : name.endsWith('.ts') ? [path] : []
    })
}

/** A copy of the sources that may be spoilt. */
function copyOf(at) {
  for (const name of ['src', 'tests', 'docs', 'scripts', 'package.json', 'tsconfig.json', '.mocharc.json', 'CONTRIBUTING.md', 'README.md'])
    cpSync(join(root, name), join(at, name), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(at, 'node_modules'))
  return at
}

/** Whether some tests notice anything in a copy; those of the room that was changed first. */
function isNoticedBy(tests, copy, file = '') {
  const own = tests.filter((folder) => file.replace('src/', 'tests/').startsWith(`${folder}/`))
  return new Promise((resolve) => {
    const mocha = spawn(
      process.execPath,
      [
        '--import',
        'tsx',
        'node_modules/mocha/bin/mocha.js',
        '--exit',
        '--bail',
        '--reporter',
        'dot',
        '--recursive',
        ...new Set([...own, ...tests]),
      ],
      { cwd: copy, stdio: 'ignore' },
    )
    const tooLong = setTimeout(() => mocha.kill('SIGKILL'), longestMs)
    mocha.on('exit', (code) => {
      clearTimeout(tooLong)
      resolve(code !== 0)
    })
  })
}

const draw = drawFrom(Number(values.seed))
const all = values.rooms
  .split(',')
  .flatMap((room) => filesBelow(join(root, 'src', room)))
  .flatMap((file) => mutationsOf(readFileSync(file, 'utf8')).map((mutation) => ({ ...mutation, file: relative(root, file) })))
const chosen = []
while (chosen.length < Math.min(Number(values.count), all.length)) chosen.push(...all.splice(draw(all.length), 1))

const scratch = mkdtempSync(join(tmpdir(), 'wren-mutants-'))
const alive = []
let done = 0
try {
  const copies = ['one', 'two'].map((name) => copyOf(join(scratch, name)))
  for (const tests of [narrow, wide])
    if (await isNoticedBy(tests, copies[0])) throw new Error(`Tests fail as they are: mend them first (${tests.join(' ')}).`)
  const work = async (copy) => {
    for (let mutant = chosen.pop(); mutant; mutant = chosen.pop()) {
      const path = join(copy, mutant.file)
      const text = readFileSync(path, 'utf8')
      writeFileSync(path, `${text.slice(0, mutant.from)}${mutant.becomes}${text.slice(mutant.to)}`)
      const noticed = (await isNoticedBy(narrow, copy, mutant.file)) || (await isNoticedBy(wide, copy, mutant.file))
      writeFileSync(path, text)
      const line = `${mutant.file}:${mutant.line}  ${mutant.was}  →  ${mutant.becomes}`
      if (!noticed) alive.push(line)
      console.log(`${String(++done).padStart(3)}  ${noticed ? 'noticed' : 'ALIVE  '}  ${line}`)
    }
  }
  await Promise.all(copies.map(work))
  console.log(`\n${done} mutants, ${alive.length} alive (seed ${values.seed}).`)
  for (const line of alive) console.log(`  ${line}`)
  process.exitCode = alive.length > mostAlive ? 1 : 0
} catch (error) {
  console.error(error.message)
  process.exitCode = 1
} finally {
  rmSync(scratch, { recursive: true, force: true })
}
