// npm run package [-- FOLDER]: one archive that runs where it is unpacked, without the internet: built, with its packages, its bill of materials and a checksum.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { copyFileSync, cpSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { isPackaged, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const say = (line) => process.stdout.write(`${line}\n`)
/** What can be done where nothing is built; the rest is for the sources. */
const commands = ['start', 'backup', 'restore', 'rotate', 'wren']
const rooms = ['server', 'web', 'cli', 'standins']

/** Runs a program of this machine, or says in one line why it did not work. */
function run(command, args, cwd, why) {
  const { status, stderr, error } = spawnSync(command, args, { cwd, encoding: 'utf8' })
  if (status !== 0) throw new PlainError(`${why}: ${(error?.message ?? stderr).trim().split('\n').at(-1)}`)
}

/** Puts into `folder` all that runs, and nothing that only builds or tests it. */
function fill(root, folder) {
  mkdirSync(folder)
  for (const name of ['scripts', 'docs', 'README.md', 'package-lock.json', '.npmrc'])
    cpSync(join(root, name), join(folder, name), { recursive: true })
  for (const room of rooms) cpSync(join(root, 'dist', room), join(folder, 'dist', room), { recursive: true })
  const made = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  const scripts = Object.fromEntries(commands.map((name) => [name, made.scripts[name]]))
  writeFileSync(join(folder, 'package.json'), `${JSON.stringify({ ...made, scripts }, null, 2)}\n`)
  run(
    'npm',
    ['ci', '--omit=dev', '--ignore-scripts', '--no-audit', '--no-fund', '--prefer-offline', '--loglevel=error'],
    folder,
    'Getting the packages failed: check the network and the free disk space',
  )
  const { platform, arch } = process
  writeFileSync(join(folder, 'packaged.json'), `${JSON.stringify({ version: made.version, platform, arch })}\n`)
}

const scratch = mkdtempSync(join(tmpdir(), 'wren-package-'))
try {
  const { positionals } = parseArgs({ allowPositionals: true, options: {} })
  if (positionals.length > 1) throw new PlainError('One folder at a time: npm run package [-- FOLDER].')
  if (isPackaged()) throw new PlainError('This is such an archive already: copy the file that it came from.')
  const { build, root } = await import('./build.mjs')
  await needPackages(say)
  for (const room of rooms) build(room, say)
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  const name = `zesty-wren-${version}-${process.platform}-${process.arch}`
  const target = resolve(positionals[0] ?? root)
  mkdirSync(target, { recursive: true })
  say('Getting the packages that it runs with…')
  fill(root, join(scratch, name))
  const file = join(target, `${name}.tar.gz`)
  say('Packing…')
  run('tar', ['-czf', `${file}.part`, '--owner=0', '--group=0', name], scratch, 'Packing failed')
  renameSync(`${file}.part`, file)
  const sum = createHash('sha256').update(readFileSync(file)).digest('hex')
  writeFileSync(`${file}.sha256`, `${sum}  ${basename(file)}\n`)
  copyFileSync(join(root, 'docs/bill-of-materials.cdx.json'), join(target, `${name}.cdx.json`))
  say(`${file}\nIts checksum and its bill of materials lie beside it. On the other machine: sha256sum -c, unpack, npm start.`)
} catch (error) {
  process.stderr.write(
    `${error instanceof PlainError ? error.message : error.code === 'ENOSPC' ? 'The disk is full: free some space and start again.' : (error.stack ?? error)}\n`,
  )
  process.exitCode = 1
} finally {
  rmSync(scratch, { recursive: true, force: true })
}
