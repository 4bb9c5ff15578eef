type Close = () => Promise<void>

// On the process itself: Mocha may load test files by another loader than this program's own, each with modules of its own.
const kept = globalThis as { wrenClosers?: Close[] }
const closers = (kept.wrenClosers ??= [])

/** Has something that a worker keeps from file to file (the live server, the browser) ended when the worker ends, the latest first. */
export function closeLater(close: Close): void {
  closers.unshift(close)
}

/** Ends what was kept. */
export async function closeShared(): Promise<void> {
  for (const close of closers.splice(0)) await close().catch(() => undefined)
}
