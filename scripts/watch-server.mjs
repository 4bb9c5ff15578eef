// For npm run dev: builds the server anew when one of its sources changes, and asks for a restart once that went well.
import { spawn } from 'node:child_process'
import { watch } from 'node:fs'
import { join } from 'node:path'

/** Files come in bursts: an editor writes several, a branch brings hundreds. */
const settleMs = 150

/**
 * Follows the sources of the server until the process ends.
 * @param say writes a line for the person at the terminal
 * @param restart starts the server that was just built
 */
export function watchServer(root, say, restart) {
  let timer = null
  let isBuilding = false
  let isStale = false

  const build = () => {
    if (isBuilding) {
      isStale = true
      return
    }
    isBuilding = true
    isStale = false
    const started = Date.now()
    const code =
      "import('./scripts/build.mjs').then(({ build }) => build('server')).catch((error) => { console.error(error.message); process.exit(1) })"
    const child = spawn(process.execPath, ['--input-type=module', '-e', code], { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] })
    child.on('exit', async (status) => {
      isBuilding = false
      if (isStale) return build()
      if (status !== 0) return say('The server goes on as it was: what you changed does not build.')
      await restart()
      say(`The server was built anew (${((Date.now() - started) / 1000).toFixed(1)} s).`)
    })
  }
  for (const room of ['core', 'contract', 'ward', 'server']) {
    watch(join(root, 'src', room), { recursive: true }, () => {
      clearTimeout(timer)
      timer = setTimeout(build, settleMs)
    })
  }
}
