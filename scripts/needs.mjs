// What this machine must have, and getting it: Node, npm packages, Debian packages. Node built-ins only.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
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

/** Installs npm packages when the lock file is another than the one that is installed. */
export function needPackages(say) {
  if (isPackaged()) return
  const stamp = join(root, 'node_modules', '.zesty-wren-installed')
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8').trim() === lock) return
  say('Installing npm packages…')
  const result = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  if (result.error || result.status !== 0)
    throw new PlainError('Installing the npm packages failed: check the network and the free disk space, then try again.')
  writeFileSync(stamp, `${lock}\n`)
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
