import { create } from 'zustand'
import { paths } from '#contract/api/paths'

/** So often it is asked whether the server can be heard again, while nothing else asks. */
const againMs = 3_000

/** Whether the server cannot be heard: the browser said so, or a request was refused. Any answer of the server ends it. */
export const useNetwork = create<{ readonly isGone: boolean }>(() => ({ isGone: false }))

let probe: ReturnType<typeof setTimeout> | undefined

/** The server answered, whatever it said. */
export function heardServer(): void {
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
    heardServer()
  } catch {
    missedServer()
  }
}

/** Hears what the browser says of its network, once for the page. */
export function startNetwork(): void {
  window.addEventListener('offline', missedServer)
  window.addEventListener('online', () => void askAgain())
}
