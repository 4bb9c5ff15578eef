// What this machine must have, and getting it: Node, npm packages, Debian packages. Node built-ins only.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))

/** A failure that people read as one sentence; anything else is a bug and shows its stack. */
export class PlainError extends Error {}

/** Ends with one sentence when Node is too old. */
export function needNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > 22 || (major === 22 && minor >= 12) || (major === 20 && minor >= 19)) return
  console.error(
    `Zesty Wren needs Node 20.19 or later, or 22.12 or later; this is ${process.versions.node}. Install a newer Node and try again.`,
  )
  process.exit(1)
}

/** Whether this folder came out of an archive of `npm run package`: built, with its packages; nothing is got or built in it. */
export function isPackaged() {
  const file = join(root, 'packaged.json')
  if (!existsSync(file)) return false
  const { platform, arch } = JSON.parse(readFileSync(file, 'utf8'))
  if (platform !== process.platform || arch !== process.arch)
    throw new PlainError(
      `This archive is for ${platform} on ${arch}, and this machine is ${process.platform} on ${process.arch}: make one there with npm run package.`,
    )
  return true
}

/** Installs npm packages where those that are there are not those of the lock file: as `npm ci` does, whoever ran it. */
export async function needPackages(say) {
  if (isPackaged()) return
  await otherInstall(say)
  if (arePackagesThere()) return
  say('Installing npm packages…')
  mkdirSync(join(root, 'dist'), { recursive: true })
  const child = spawn('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] })
  writeFileSync(installing, String(child.pid))
  // Whoever ends this ends the installing too: what is half there is got anew at the next start.
  const end = () => child.kill('SIGTERM')
  const endBy = (signal) => {
    end()
    for (const one of signals) process.off(one, endBy)
    // Where nobody else listens to it, it ends this as it would have.
    if (process.listenerCount(signal) === 0) process.kill(process.pid, signal)
  }
  process.once('exit', end)
  for (const signal of signals) process.on(signal, endBy)
  const isDone = await new Promise((resolve) => {
    child.once('error', () => resolve(false))
    child.once('exit', (code) => resolve(code === 0))
  })
  process.off('exit', end)
  for (const signal of signals) process.off(signal, endBy)
  rmSync(installing, { force: true })
  if (!isDone || !arePackagesThere())
    throw new PlainError('Installing the npm packages failed: check the network and the free disk space, then try again.')
}

const signals = ['SIGINT', 'SIGTERM', 'SIGHUP']

/** Which process installs, for a start beside it, or after one that was killed while npm went on. */
const installing = join(root, 'dist', 'installing.pid')

/** Waits for packages that another start is installing. */
async function otherInstall(say) {
  if (!existsSync(installing)) return
  const pid = Number(readFileSync(installing, 'utf8'))
  const isRunning = () => pid > 1 && readIfThere(`/proc/${pid}/cmdline`).includes('npm')
  if (isRunning()) say('Another start is installing the npm packages: waiting for it…')
  while (isRunning()) await new Promise((resolve) => setTimeout(resolve, 250))
  rmSync(installing, { force: true })
}

/**
 * Whether the packages of the lock file are installed. npm writes what it has installed into a list of its own when it is through: one that was
 * ended in the middle has left none.
 */
export function arePackagesThere() {
  const list = readIfThere(join(root, 'node_modules', '.package-lock.json'))
  if (list === '') return false
  const { packages: there } = JSON.parse(list)
  const { packages: wanted } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'))
  return Object.entries(wanted).every(([path, { version, integrity, optional, link }]) => {
    const one = there[path]
    // An optional one may be for another machine.
    if (path === '' || link || (!one && optional)) return true
    return one !== undefined && one.version === version && one.integrity === integrity
  })
}

function readIfThere(file) {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return ''
  }
}

/** Full path of a program, or null. */
export function findProgram(names) {
  const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/sbin']
  for (const name of names)
    for (const folder of folders) {
      const path = join(folder || '.', name)
      if (existsSync(path)) return path
    }
  return null
}

/** Installs Debian packages when a program is missing: as root, or with sudo that asks no password. */
export function needDebian(program, packages, say, otherwise) {
  needInstalled(program, () => findProgram([program]) !== null, packages, say, otherwise)
}

/** As `needDebian`, for what is no program. */
export function needInstalled(what, isThere, packages, say, otherwise) {
  if (isThere()) return
  const isRoot = process.getuid?.() === 0
  const prefix = isRoot ? [] : ['sudo', '-n']
  const can = findProgram(['apt-get']) && (isRoot || spawnSync('sudo', ['-n', 'true']).status === 0)
  if (!can)
    throw new PlainError(
      `${what} is missing: install the Debian package${packages.length > 1 ? 's' : ''} ${packages.join(' and ')}${otherwise}.`,
    )
  say(`Installing ${packages.join(', ')}…`)
  const run = (...args) => {
    const [command, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', ...args]
    return spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0
  }
  const install = () => run('install', '-y', '--no-install-recommends', ...packages)
  if (!(install() || (run('update') && install())) || !isThere()) {
    throw new PlainError(
      `Installing ${packages.join(' and ')} failed: check the network and the free disk space, or install ${packages.length > 1 ? 'them' : 'it'} by hand${otherwise}.`,
    )
  }
}
