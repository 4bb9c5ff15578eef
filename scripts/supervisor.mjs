// Keeps processes alive: starts them in order, starts again what dies, stops them in reverse. Node built-ins only.

/** How long it waits before it starts something again, and when it takes a process for well again. */
const usual = { firstWaitMs: 500, longestWaitMs: 30_000, wellAfterMs: 60_000, patienceMs: 25_000 }

/** Whether a process has ended: by an exit status, or by a signal, which leaves no status. */
export function hasEnded(child) {
  return child.exitCode !== null || child.signalCode !== null
}

/** How a process ended, in words. */
function describeEnd(child) {
  return child.signalCode ? `ended by ${child.signalCode}` : `ended with status ${child.exitCode}`
}

/**
 * A supervisor without children.
 * @param say writes one line for the person at the terminal
 * @param end ends the process of the supervisor itself, with a status
 */
export function createSupervisor({ say, end, times = usual }) {
  const kept = []
  let isStopping = false

  /**
   * Starts something and keeps it alive from then on.
   * @param name what it is, in words: "The server"
   * @param launch starts it once and resolves with what it says when it is ready; it gives the child to `hold` as soon as there is
   *   one, and is told whether this is the first time
   * @returns what the first launch said
   * @throws when the first launch fails
   */
  async function keep(name, launch) {
    const one = { name, child: null, timer: null, isMeant: false, tries: 0, readyAt: 0 }
    kept.push(one)
    const start = async (isFirst) => {
      const hold = (child) => {
        one.child = child
        // Nobody listens between two starts: an error there must not end the supervisor.
        child.on('error', () => undefined)
      }
      const said = await launch({ hold, isFirst })
      one.readyAt = Date.now()
      const child = one.child
      if (hasEnded(child)) again(one, start)
      else child.once('exit', () => again(one, start))
      return said
    }
    return start(true)
  }

  function again(one, start) {
    if (isStopping) return
    if (Date.now() - one.readyAt > times.wellAfterMs) one.tries = 0
    const waitMs = one.isMeant ? 0 : Math.min(times.longestWaitMs, times.firstWaitMs * 2 ** one.tries++)
    if (!one.isMeant) say(`${one.name} ${describeEnd(one.child)}: starting it again in ${waitMs / 1000} s. The rest goes on.`)
    one.timer = setTimeout(() => {
      one.timer = null
      one.isMeant = false
      start(false).then(
        () => say(`${one.name} is back.`),
        (error) => {
          if (isStopping) return
          say(`${one.name} could not be started again: ${error.message}`)
          again(one, start)
        },
      )
    }, waitMs)
  }

  /** Ends one thing that is kept, so that it starts anew at once: what it is made of has changed. */
  async function restart(name) {
    const one = kept.find((each) => each.name === name)
    if (!one || isStopping || one.timer) return
    one.tries = 0
    one.isMeant = true
    await stopOne(one)
  }

  /** Stops everything in reverse, each within its patience, then ends; asked a second time it ends at once. */
  async function stop(code) {
    if (isStopping) return kill(code)
    isStopping = true
    for (const one of kept) clearTimeout(one.timer)
    for (const one of [...kept].reverse()) await stopOne(one)
    end(code)
  }

  function stopOne({ child, name }) {
    if (!child || hasEnded(child)) return Promise.resolve()
    return new Promise((resolve) => {
      const timer = setTimeout(() => {
        say(`${name} does not stop: ending it.`)
        child.kill('SIGKILL')
      }, times.patienceMs)
      child.once('exit', () => {
        clearTimeout(timer)
        resolve()
      })
      child.kill('SIGTERM')
    })
  }

  function kill(code) {
    for (const { child } of kept) if (child && !hasEnded(child)) child.kill('SIGKILL')
    end(code || 1)
  }

  return { keep, restart, stop, isStopping: () => isStopping }
}
