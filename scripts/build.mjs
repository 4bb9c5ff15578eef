// Builds what is out of date: a room is stale when its sources are others than those in its stamp. By content: a copy has times of its own.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { isPackaged } from './needs.mjs'

export const root = fileURLToPath(new URL('..', import.meta.url))

const sources = {
  cli: ['src/core', 'src/contract', 'src/ward', 'src/cli'],
  server: ['src/core', 'src/contract', 'src/ward', 'src/server'],
  standins: ['src/standins'],
  bench: ['src/core', 'src/contract', 'src/ward', 'src/server', 'tests/bench', 'tests/harness'],
  web: ['src/core', 'src/contract', 'src/ward', 'src/web', 'vite.config.ts', 'scripts/card-pictures.ts'],
}

/** What a room is made of, as one figure. */
function sourcesOf(room) {
  const hash = createHash('sha256')
  const add = (path) => {
    const full = join(root, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory())
      return readdirSync(full)
        .sort()
        .forEach((name) => add(join(path, name)))
    hash.update(`${path}\n`).update(readFileSync(full))
  }
  for (const path of [...sources[room], 'package-lock.json', 'scripts/vite-node.config.mjs']) add(path)
  return hash.digest('hex')
}

/** Whether a room has to be built again. */
export function isStale(room) {
  if (isPackaged()) return false
  const stamp = join(root, 'dist', `${room}.stamp`)
  return !existsSync(stamp) || readFileSync(stamp, 'utf8').trim() !== sourcesOf(room)
}

/** Builds one room when it is stale; throws with the builder's output when that fails. */
export function build(room, say = () => {}) {
  if (!isStale(room)) return
  say(`Building ${room}…`)
  const config = room === 'web' ? 'vite.config.ts' : 'scripts/vite-node.config.mjs'
  const made = sourcesOf(room)
  const result = spawnSync(
    process.execPath,
    [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--config', config, '--logLevel', 'warn'],
    {
      cwd: root,
      env: { ...process.env, WREN_ROOM: room, NODE_ENV: 'production' },
      encoding: 'utf8',
    },
  )
  if (result.status !== 0) throw new Error(`Building ${room} failed:\n${result.stdout}${result.stderr}`)
  mkdirSync(join(root, 'dist'), { recursive: true })
  writeFileSync(join(root, 'dist', `${room}.stamp`), `${made}\n`)
}
