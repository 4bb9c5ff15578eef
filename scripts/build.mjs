// Builds what is out of date: a room is stale when a file under its sources is newer than its stamp.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url))

const sources = {
  cli: ['src/core', 'src/contract', 'src/cli'],
  server: ['src/core', 'src/contract', 'src/server'],
  standins: ['src/standins'],
  bench: ['src/core', 'src/contract', 'src/server', 'tests/bench', 'tests/harness'],
  web: ['src/core', 'src/contract', 'src/web', 'vite.config.ts'],
}

function newest(path) {
  const full = join(root, path)
  if (!existsSync(full)) return 0
  const stat = statSync(full)
  if (!stat.isDirectory()) return stat.mtimeMs
  return readdirSync(full).reduce((latest, name) => Math.max(latest, newest(join(path, name))), stat.mtimeMs)
}

/** Whether a room has to be built again. */
export function isStale(room) {
  const stamp = join(root, 'dist', `${room}.stamp`)
  if (!existsSync(stamp)) return true
  const built = statSync(stamp).mtimeMs
  return [...sources[room], 'package-lock.json', 'scripts/vite-node.config.mjs'].some((path) => newest(path) > built)
}

/** Builds one room when it is stale; throws with the builder's output when that fails. */
export function build(room, say = () => {}) {
  if (!isStale(room)) return
  say(`Building ${room}…`)
  const config = room === 'web' ? 'vite.config.ts' : 'scripts/vite-node.config.mjs'
  const started = new Date()
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
  writeFileSync(join(root, 'dist', `${room}.stamp`), `${started.toISOString()}\n`)
}
