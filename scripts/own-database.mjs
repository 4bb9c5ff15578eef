// The database of npm start, for what is done while nobody works on it.
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PlainError } from './needs.mjs'

/** Whether Zesty Wren runs from this folder. */
export function isRunning(folder) {
  const lock = join(folder, 'start.pid')
  if (!existsSync(lock)) return false
  const command = `/proc/${Number(readFileSync(lock, 'utf8'))}/cmdline`
  return existsSync(command) && readFileSync(command, 'utf8').includes('start.mjs')
}

/** Starts the database under a folder; whoever asked stops it. Throws in words while Zesty Wren runs from there. */
export async function startOwnDatabase(folder, say) {
  if (isRunning(folder)) throw new PlainError('Zesty Wren is running: stop it first, so that nobody writes meanwhile.')
  const { startDatabase } = await import('./database.mjs')
  return startDatabase(folder, say)
}
