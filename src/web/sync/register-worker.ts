import { create } from 'zustand'
import { stopLateWork } from './late-work'
import { takeOverWord } from './take-over'

/** Whether a newer version lies on this device than the one that runs here; another tab may have taken it already. */
export const useNewVersion = create<{ readonly state: 'none' | 'waits' | 'taken-elsewhere' }>(() => ({ state: 'none' }))

const lookEveryMs = 30 * 60_000
const longestMs = 5_000
let waiting: ServiceWorker | null = null
let isMine = false

/** Keeps the application on this device, so that it starts without a network. Where the browser will not, it works as long as there is one. */
export function registerWorker(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  // After the page is there: the first screen comes before what is kept for later.
  window.addEventListener('load', () => void register().catch(() => null))
}

async function register(): Promise<void> {
  const had = navigator.serviceWorker.controller !== null
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (isMine) window.location.reload()
    else if (had) useNewVersion.setState({ state: 'taken-elsewhere' })
  })
  const registration = await navigator.serviceWorker.register('/service-worker.js')
  const look = (): void => {
    // The first version of all waits for nobody.
    if (!registration.waiting || !navigator.serviceWorker.controller) return
    waiting = registration.waiting
    useNewVersion.setState({ state: 'waits' })
  }
  look()
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look))
  setInterval(() => void registration.update().catch(() => null), lookEveryMs)
}

/** Goes on with the newer version: the page is loaded anew. */
export async function takeNewVersion(): Promise<void> {
  if (useNewVersion.getState().state === 'taken-elsewhere' || !waiting) return window.location.reload()
  isMine = true
  // A worker that is asked for parts while it should give way stays for minutes.
  await Promise.race([stopLateWork(), new Promise((resolve) => setTimeout(resolve, longestMs))])
  waiting.postMessage(takeOverWord)
}
