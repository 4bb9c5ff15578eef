import { create } from 'zustand'
import { paths } from '#contract/api/paths'

/** So often it is asked whether the server can be heard again, while nothing else asks. */
const againMs = 3_000

/** Whether the server cannot be heard: the browser said so, or a request was refused. Any answer of the server ends it. */
export const useNetwork = create<{ readonly isGone: boolean }>(() => ({ isGone: false }))

let probe: ReturnType<typeof setTimeout> | undefined

/**
 * The server answered, whatever it said. While the browser says that it is off, an answer may be one that was on its way before: only what is
 * asked since then proves the line.
 */
export function heardServer(): void {
  if (!saysOff() || !useNetwork.getState().isGone) lineIsBack()
}

/** Whether the browser says that it has no network; where it says nothing, the answers alone count. */
function saysOff(): boolean {
  return (globalThis.navigator as Navigator | undefined)?.onLine === false
}

function lineIsBack(): void {
  clearTimeout(probe)
  probe = undefined
  if (useNetwork.getState().isGone) useNetwork.setState({ isGone: false })
}

/** Nothing came back. */
export function missedServer(): void {
  if (!useNetwork.getState().isGone) useNetwork.setState({ isGone: true })
  probe ??= setTimeout(() => void askAgain(), againMs)
}

async function askAgain(): Promise<void> {
  probe = undefined
  try {
    await fetch(paths.session, { credentials: 'same-origin', cache: 'no-store' })
    lineIsBack()
  } catch {
    missedServer()
  }
}

/** Hears what the browser says of its network, once for the page. */
export function startNetwork(): void {
  window.addEventListener('offline', missedServer)
  window.addEventListener('online', () => void askAgain())
}
