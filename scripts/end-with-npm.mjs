// A signal to npm alone reaches npm alone: what it started would go on without it.
import { readFileSync } from 'node:fs'

const lookMs = 500

/** Calls `stop` when the npm that started this process has ended; started otherwise, never. */
export function endWithNpm(stop) {
  const npm = npmAbove(process.ppid)
  if (npm === null) return
  const timer = setInterval(() => {
    if (commandOf(npm) !== '') return
    clearInterval(timer)
    stop()
  }, lookMs)
  timer.unref()
}

/** The npm among the processes above one, three steps up at most: between them there may be a shell. */
function npmAbove(pid, steps = 3) {
  if (pid <= 1 || steps === 0) return null
  if (/^npm\b|npm-cli/.test(commandOf(pid))) return pid
  const parent = /^PPid:\s+(\d+)$/m.exec(read(`/proc/${pid}/status`))?.[1]
  return npmAbove(Number(parent ?? 0), steps - 1)
}

function commandOf(pid) {
  return read(`/proc/${pid}/cmdline`).replaceAll('\0', ' ')
}

function read(file) {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return ''
  }
}
